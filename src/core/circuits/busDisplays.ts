import { z, whole } from "../schema";
import { addI2c } from "./buses";
import type { CircuitKind } from "./circuitKind";
import { listFields, memberList } from "./memberList";
import type { Net, PlacedElement } from "./net";
import { PlanBuilder, middleOf, present } from "./planBuilder";

const busDisplaysSchema = z.strictObject({
  ...listFields,
  kind: z.literal("bus-displays"),
  bus: whole(0, 3),
  /** How many of the displays can be told apart by an address of their own; usually one or two. */
  ownAddresses: whole(1, 8),
});
export type BusDisplays = z.infer<typeof busDisplaysSchema>;

const BRANCHES = 8;
const CONTACT = { minus: 0, plus: 1, SCL: 2, SDA: 3 };

interface Branch {
  scl: Net;
  sda: Net;
}

function addDisplay(builder: PlanBuilder, display: PlacedElement, { scl, sda }: Branch) {
  builder.tap(builder.ground, display, CONTACT.minus);
  builder.tap(builder.supply, display, CONTACT.plus);
  builder.tap(scl, display, CONTACT.SCL);
  builder.tap(sda, display, CONTACT.SDA);
}

/** Terminals of the common 24-terminal 8-branch class (typical; from memory). */
function addMultiplexer(builder: PlanBuilder, main: Branch, branches: Branch[], displays: PlacedElement[]) {
  const branch = (nth: number): [string, Net | null][] => [
    [`SD${nth}`, branches[nth]?.sda ?? null],
    [`SC${nth}`, branches[nth]?.scl ?? null],
  ];
  const pins: [string, Net | null][] = [
    ["A0", builder.ground],
    ["A1", builder.ground],
    ["RESET", builder.supply],
    ...[0, 1, 2, 3].flatMap(branch),
    ["GND", builder.ground],
    ...[4, 5, 6, 7].flatMap(branch),
    ["A2", builder.ground],
    ["SCL", main.scl],
    ["SDA", main.sda],
    ["VCC", builder.supply],
  ];
  builder.chip("U1", "8-way I²C multiplexer", "bus-multiplexer", pins, middleOf(displays));
}

function ownBranches(builder: PlanBuilder, count: number): Branch[] {
  return Array.from({ length: count }, (_, nth) => ({
    scl: builder.own(`SCL ${nth + 1}`, "chain", null),
    sda: builder.own(`SDA ${nth + 1}`, "chain", null),
  }));
}

/** Displays on the two-wire bus; more of the same address than there are addresses get branches of their own. */
export const busDisplays: CircuitKind<BusDisplays> = {
  kind: "bus-displays",
  stem: "displays",
  title: "Displays on the bus",
  purpose: "Two wires for all displays; alike ones beyond their addresses go behind a bus multiplexer.",
  schema: busDisplaysSchema,
  fresh: (id, name) => ({ id, kind: "bus-displays", name, members: [], bus: 0, ownAddresses: 2 }),
  takes: (element) => element.kind === "device" && element.contacts.some(({ name }) => name === "SDA"),
  ...memberList,
  plan(circuit, elements, places) {
    const builder = new PlanBuilder(circuit.id, places);
    const displays = present(circuit.members, elements).filter(busDisplays.takes);
    if (displays.length === 0) return builder.plan;
    const main = addI2c(builder, circuit.bus);
    const count = Math.ceil(displays.length / circuit.ownAddresses);
    const branches = count === 1 ? [main] : ownBranches(builder, Math.min(count, BRANCHES));
    displays.forEach((display, nth) => addDisplay(builder, display, branches[nth % branches.length]));
    if (branches.length > 1) addMultiplexer(builder, main, branches, displays);
    builder.plan.resistors += 2;
    return builder.plan;
  },
  steps: (_circuit, plan) => [
    ...(plan.chips.length > 0
      ? ["Put the bus multiplexer down; each branch has its own pair of pull-up resistors."]
      : ["One pair of pull-up resistors serves the whole bus; many display modules carry their own."]),
    "Run SCL and SDA side by side, with ground beside them, and keep them short.",
  ],
};
