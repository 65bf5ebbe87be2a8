import { z, whole } from "../schema";
import { addI2c } from "./buses";
import type { CircuitKind } from "./circuitKind";
import { displayTellingSchema } from "./displayTelling";
import { listFields, memberList } from "./memberList";
import type { Net, PlacedElement } from "./net";
import { CircuitBuilder, middleOf, present } from "./circuitBuilder";

const busDisplaysSchema = z.strictObject({
  ...listFields,
  kind: z.literal("bus-displays"),
  bus: whole(0, 3),
  /** How many of the displays can be told apart by an address of their own; usually one or two. */
  ownAddresses: whole(1, 8),
  /** The lowest address that the displays can be set to; that of the class where nothing is said. */
  firstAddress: z.optional(whole(0x08, 0x77)),
  /** How they are told what, where it is not as usual (usualTelling). */
  told: z.optional(displayTellingSchema),
});
export type BusDisplays = z.infer<typeof busDisplaysSchema>;

/** Usual for small displays (typical of the class; from memory). */
export const DISPLAY_ADDRESS = 0x3c;

/** Branches of one multiplexer, and multiplexers that a bus takes by their three address terminals. */
/** The lowest address that a bus multiplexer can be set to (typical of the class; from memory). */
const MULTIPLEXER_ADDRESS = 0x70;
const BRANCHES = 8;
const MOST_MULTIPLEXERS = 8;
const CONTACT = { minus: 0, plus: 1, SCL: 2, SDA: 3 };

interface Branch {
  scl: Net;
  sda: Net;
}

function addDisplay(builder: CircuitBuilder, display: PlacedElement, { scl, sda }: Branch) {
  builder.joint(builder.ground, display, CONTACT.minus);
  builder.joint(builder.supply, display, CONTACT.plus);
  builder.joint(scl, display, CONTACT.SCL);
  builder.joint(sda, display, CONTACT.SDA);
}

/** Terminals of the common 24-terminal 8-branch class (typical; from memory). */
function addMultiplexer(
  builder: CircuitBuilder,
  nth: number,
  main: Branch,
  branches: Branch[],
  displays: PlacedElement[],
) {
  const strap = (bit: number) => ((nth >> bit) & 1 ? builder.supply : builder.ground);
  const branch = (nth: number): [string, Net | null][] => [
    [`SD${nth}`, branches[nth]?.sda ?? null],
    [`SC${nth}`, branches[nth]?.scl ?? null],
  ];
  const pins: [string, Net | null][] = [
    ["A0", strap(0)],
    ["A1", strap(1)],
    ["RESET", builder.supply],
    ...[0, 1, 2, 3].flatMap(branch),
    ["GND", builder.ground],
    ...[4, 5, 6, 7].flatMap(branch),
    ["A2", strap(2)],
    ["SCL", main.scl],
    ["SDA", main.sda],
    ["VCC", builder.supply],
  ];
  builder.chip(`U${nth + 1}`, "8-way I²C multiplexer", "bus-multiplexer", pins, middleOf(displays));
}

/** Branches that so many displays of one address take. */
const branchesNeeded = (displays: number, ownAddresses: number): number =>
  Math.max(1, Math.ceil(displays / ownAddresses));

/** Displays that a bus can tell apart: by their own addresses, on as many branches as its multiplexers have. */
export const displayPlaces = (ownAddresses: number): number => MOST_MULTIPLEXERS * BRANCHES * ownAddresses;

/** Each branch has its pull-ups at its first display. */
function ownBranches(
  builder: CircuitBuilder,
  count: number,
  displays: PlacedElement[],
  ownAddresses: number,
): Branch[] {
  return Array.from({ length: Math.min(count, MOST_MULTIPLEXERS * BRANCHES) }, (_, nth) => {
    const { contacts } = displays[nth * ownAddresses];
    const line = (name: "SCL" | "SDA") => {
      const { at } = contacts[CONTACT[name]];
      const net = builder.own(`${name} ${nth + 1}`, "chain", null);
      builder.shunt(`pull-up ${name} ${nth + 1}`, "resistor", "4.7 kΩ", builder.supply, net, at);
      return net;
    };
    return { scl: line("SCL"), sda: line("SDA") };
  });
}

/** Displays on the two-wire bus; more of the same address than there are addresses get branches of their own. */
export const busDisplays: CircuitKind<BusDisplays> = {
  kind: "bus-displays",
  stem: "displays",
  title: "Displays on the bus",
  purpose: "Two wires for all displays; alike ones beyond their addresses go behind a bus multiplexer.",
  schema: busDisplaysSchema,
  fresh: (id, name) => ({ id, kind: "bus-displays", name, members: [], bus: 0, ownAddresses: 2 }),
  accepts: (element) => element.kind === "device" && element.contacts.some(({ name }) => name === "SDA"),
  ...memberList,
  build(circuit, elements, places) {
    const builder = new CircuitBuilder(circuit, places);
    const displays = present(circuit.members, elements).filter(busDisplays.accepts);
    if (displays.length === 0) return builder.built;
    const main = addI2c(builder, circuit.bus, middleOf(displays));
    const all = branchesNeeded(displays.length, circuit.ownAddresses);
    const branches = all === 1 ? [main] : ownBranches(builder, all, displays, circuit.ownAddresses);
    displays.forEach((display, nth) => {
      const at = Math.floor(nth / circuit.ownAddresses);
      if (!branches[at]) return;
      addDisplay(builder, display, branches[at]);
      builder.built.displays.push({
        elementId: display.id,
        scl: main.scl.id,
        sda: main.sda.id,
        address: (circuit.firstAddress ?? DISPLAY_ADDRESS) + (nth % circuit.ownAddresses),
        behind:
          branches.length === 1
            ? null
            : { address: MULTIPLEXER_ADDRESS + Math.floor(at / BRANCHES), branch: at % BRANCHES },
        told: circuit.told ?? null,
      });
    });
    if (branches.length > 1)
      for (let nth = 0; nth * BRANCHES < branches.length; nth++) {
        const here = branches.slice(nth * BRANCHES, (nth + 1) * BRANCHES);
        const first = nth * BRANCHES * circuit.ownAddresses;
        const fed = displays.slice(first, first + BRANCHES * circuit.ownAddresses);
        addMultiplexer(builder, nth, main, here, fed);
      }
    return builder.built;
  },
};
