import { EXPANDER_ADDRESSES, type ExpanderCircuit, addressOf } from "../../circuits/expander";
import { changeCircuit } from "../../edits/wiring";
import { type Rule, listed } from "../finding";

const addressesIn = (circuit: ExpanderCircuit, count: number) =>
  Array.from({ length: count }, (_, nth) => addressOf(circuit, nth));

/** Two expanders of one address answer at once. */
export const sameAddress: Rule = {
  id: "wiring/same-address",
  stage: "wiring",
  severity: "stop",
  why: "Parts with the same address on a bus answer at the same time, and neither is understood.",
  source: "I²C-bus specification; three address terminals, eight addresses (typical of the class)",
  eachController: true,
  check(design, { builtCircuits }) {
    const perBus = new Map<number, { circuit: ExpanderCircuit; addresses: number[] }[]>();
    design.circuits.forEach((circuit, nth) => {
      if (circuit.kind !== "expander") return;
      const addresses = addressesIn(circuit, builtCircuits[nth].chips.length);
      perBus.set(circuit.bus, [...(perBus.get(circuit.bus) ?? []), { circuit, addresses }]);
    });
    return [...perBus.values()].flatMap((on) => {
      const all = on.flatMap(({ addresses }) => addresses);
      const twice = [...new Set(all.filter((address, nth) => all.indexOf(address) !== nth))];
      if (twice.length === 0) return [];
      const free = Array.from({ length: EXPANDER_ADDRESSES }, (_, address) => address);
      const room = all.length <= EXPANDER_ADDRESSES;
      return [
        {
          message: `Address ${listed(twice.map(String))} is taken by more than one expander on the same bus.`,
          subjects: [],
          fixes: room
            ? [
                {
                  title: "Give each an address of its own",
                  apply: (d) =>
                    on.reduce<{ d: typeof d; from: number }>(
                      ({ d: next, from }, { circuit, addresses }) => ({
                        d: changeCircuit<ExpanderCircuit>(next, circuit.id, {
                          addresses: free.slice(from, from + addresses.length),
                        }),
                        from: from + addresses.length,
                      }),
                      { d, from: 0 },
                    ).d,
                },
              ]
            : [],
        },
      ];
    });
  },
};
