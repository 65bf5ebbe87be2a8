import { type BusDisplays, DISPLAY_ADDRESS } from "../circuits/busDisplays";
import { addressOf } from "../circuits/expander";
import type { Circuit } from "../circuits";
import { type Derived, derive } from "../derived/derive";
import { LINK_BUS } from "../contract/link";
import { halfName } from "../derived/halfName";
import { wholeOf } from "../derived/halves";
import { MODULES_BUS } from "../derived/moduleEnds";
import { isModule } from "../document/partLinks";
import type { Design } from "../document/schema";

/** Lowest addresses of the classes, whose three terminals count on from there (typical; from memory). */
export const EXPANDER_ADDRESS = 0x20;
const MULTIPLEXER_ADDRESS = 0x70;

/** A part on a two-wire bus: seven bits of address, and what sets them. */
export interface BusAddress {
  bus: number;
  circuitId: string;
  part: string;
  address: number;
  /** What is strapped or soldered so that it has this address. */
  setBy: string;
  /** Behind which multiplexer and branch it stands; null on the bus itself. */
  behind: { address: number; branch: number } | null;
}

/** Which of three terminals is high: "A0 high, A1 and A2 low". */
function straps(nth: number): string {
  const names = (high: number) => [0, 1, 2].filter((bit) => ((nth >> bit) & 1) === high).map((bit) => `A${bit}`);
  const words = (list: string[], level: string) => (list.length === 0 ? [] : [`${list.join(", ")} ${level}`]);
  return [...words(names(1), "high"), ...words(names(0), "low")].join("; ");
}

const BRANCHES = 8;

function displayAddresses(circuit: BusDisplays, { elements, builtCircuits }: Derived, nth: number): BusAddress[] {
  const multiplexers = builtCircuits[nth].chips;
  const first = circuit.firstAddress ?? DISPLAY_ADDRESS;
  const base = { bus: circuit.bus, circuitId: circuit.id };
  const displays = circuit.members.flatMap((id) => elements.get(id) ?? []);
  return [
    ...multiplexers.map(({ label }, chip) => ({
      ...base,
      part: label,
      address: MULTIPLEXER_ADDRESS + chip,
      setBy: straps(chip),
      behind: null,
    })),
    ...displays.map(({ label }, place) => {
      const own = place % circuit.ownAddresses;
      const branch = Math.floor(place / circuit.ownAddresses);
      return {
        ...base,
        part: label,
        address: first + own,
        setBy:
          circuit.ownAddresses === 1 ? "as it comes" : `its own strap, place ${own + 1} of ${circuit.ownAddresses}`,
        behind:
          multiplexers.length === 0
            ? null
            : { address: MULTIPLEXER_ADDRESS + Math.floor(branch / BRANCHES), branch: branch % BRANCHES },
      };
    }),
  ];
}

function addressesOf(circuit: Circuit, derived: Derived, nth: number): BusAddress[] {
  if (circuit.kind === "bus-displays") return displayAddresses(circuit, derived, nth);
  if (circuit.kind !== "expander") return [];
  return derived.builtCircuits[nth].chips.map(({ label }, chip) => {
    const own = addressOf(circuit, chip);
    const address = EXPANDER_ADDRESS + own;
    return { bus: circuit.bus, circuitId: circuit.id, part: label, address, setBy: straps(own), behind: null };
  });
}

/** Modules on the bus of the main controller, by their places among the controllers of the whole device. */
export function moduleAddresses(design: Design): BusAddress[] {
  const whole = wholeOf(design);
  const own = (whole.partLinks ?? []).filter((link) => isModule(link) && link.nearId === design.controllers[0]?.id);
  return own.map(({ id, farId }) => {
    const part = whole.controllers.findIndex((controller) => controller.id === farId);
    return {
      bus: MODULES_BUS,
      circuitId: id,
      part: halfName(whole, farId),
      address: LINK_BUS.ADDRESS + part,
      setBy: `what it is loaded as: part ${part}`,
      behind: null,
    };
  });
}

/** Parts that circuits put on a two-wire bus. */
export const circuitAddresses = (design: Design): BusAddress[] =>
  design.circuits.flatMap((circuit, nth) => addressesOf(circuit, derive(design), nth));

/** Every part on a two-wire bus with the address that the program gave it and the straps for it. */
export const busAddresses = (design: Design): BusAddress[] =>
  derive(design).once("bus addresses", () => [...circuitAddresses(design), ...moduleAddresses(design)]);

/**
 * Pairs that answer at once: the same address on one bus, where neither a branch of its own nor another multiplexer keeps
 * them apart. What stands on the bus itself is heard on every branch.
 */
export function clashes(addresses: BusAddress[]): [BusAddress, BusAddress][] {
  const apart = (a: BusAddress["behind"], b: BusAddress["behind"]) =>
    a !== null && b !== null && (a.address !== b.address || a.branch !== b.branch);
  return addresses.flatMap((one, nth) =>
    addresses
      .slice(nth + 1)
      .filter((two) => one.bus === two.bus && one.address === two.address && !apart(one.behind, two.behind))
      .map((two): [BusAddress, BusAddress] => [one, two]),
  );
}

/** Seven-bit addresses as they stand in data sheets. */
export const hexAddress = (address: number): string => `${address.toString(16).toUpperCase().padStart(2, "0")} hex`;
