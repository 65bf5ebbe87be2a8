import { type BusDisplays, DISPLAY_ADDRESS } from "../../circuits/busDisplays";
import { EXPANDER_ADDRESSES, type ExpanderCircuit } from "../../circuits/expander";
import type { Design } from "../../document/schema";
import { changeCircuit } from "../../edits/wiring";
import {
  type BusAddress,
  EXPANDER_ADDRESS,
  busAddresses,
  circuitAddresses,
  clashes,
  hexAddress,
  moduleAddresses,
} from "../../levels/addresses";
import { type Fix, type Rule, listed } from "../finding";

const kindsOf = (design: Design, pair: BusAddress[]) =>
  pair.map(({ circuitId }) => design.circuits.find(({ id }) => id === circuitId)?.kind ?? "module");

const left = (all: BusAddress[], bus: number) => clashes(all).filter(([one]) => one.bus === bus).length;

/** Each way out that leaves nothing to clash on the bus, tried on the design itself. */
function waysOut(design: Design, bus: number): Fix[] {
  const on = design.circuits.filter((circuit) => "bus" in circuit && circuit.bus === bus);
  const displays = on.filter((circuit): circuit is BusDisplays => circuit.kind === "bus-displays");
  const expanders = on.filter((circuit): circuit is ExpanderCircuit => circuit.kind === "expander");
  const taken = new Set(design.circuits.flatMap((circuit) => ("bus" in circuit ? [circuit.bus] : [])));
  const free = [0, 1, 2, 3].find((other) => !taken.has(other));
  const straps = expanders.flatMap((circuit) =>
    Array.from({ length: EXPANDER_ADDRESSES }, (_, first) => ({
      title: `Strap the expanders of ${circuit.name} to ${hexAddress(EXPANDER_ADDRESS + first)} and on`,
      apply: (d: Design) => changeCircuit<ExpanderCircuit>(d, circuit.id, { addresses: [first] }),
    })),
  );
  const usual = displays.map((circuit) => ({
    title: `Set ${circuit.name} to ${hexAddress(DISPLAY_ADDRESS)} and on`,
    apply: (d: Design) => changeCircuit<BusDisplays>(d, circuit.id, { firstAddress: undefined }),
  }));
  const own = displays.map((circuit) => ({
    title: `Give ${circuit.name} a bus of its own`,
    apply: (d: Design) => (free === undefined ? d : changeCircuit<BusDisplays>(d, circuit.id, { bus: free })),
  }));
  // No edit of a circuit changes what modules answer to.
  const modules = moduleAddresses(design);
  const works = (fix: Fix) => left([...circuitAddresses(fix.apply(design)), ...modules], bus) === 0;
  return [straps.find(works), ...usual.filter(works), ...own.filter(works)].flatMap((fix) => fix ?? []);
}

/** Parts of different sorts that answer to the same address on one bus. */
export const addressClash: Rule = {
  id: "circuits/address-clash",
  stage: "circuits",
  severity: "stop",
  why: "Parts with the same address on a bus answer at the same time, and neither is understood; a multiplexer is heard on its branches too.",
  source: "I²C-bus specification: seven bits of address; addresses of the classes typical, from memory",
  eachController: true,
  check(design) {
    const across = clashes(busAddresses(design)).filter((pair) => new Set(kindsOf(design, pair)).size > 1);
    return [...new Set(across.map(([{ bus }]) => bus))].map((bus) => {
      const here = across.filter(([one]) => one.bus === bus);
      const words = here.map(([one, two]) => `${one.part} and ${two.part} to ${hexAddress(one.address)}`);
      return {
        message: `On two-wire bus ${bus + 1} parts answer at once: ${listed(words)}.`,
        subjects: [],
        fixes: waysOut(design, bus),
      };
    });
  },
};
