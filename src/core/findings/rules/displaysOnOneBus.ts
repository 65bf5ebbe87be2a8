import { type BusDisplays } from "../../circuits/busDisplays";
import { changeCircuit } from "../../edits/wiring";
import { type Rule, listed } from "../finding";

/** Two circuits of displays on one bus do not know of each other's addresses and branches. */
export const displaysOnOneBus: Rule = {
  id: "wiring/displays-on-one-bus",
  stage: "wiring",
  severity: "stop",
  why: "Each circuit gives its displays the same addresses and its multiplexers the same place on the bus.",
  source: "I²C-bus specification",
  check(design) {
    const circuits = design.circuits.filter((circuit): circuit is BusDisplays => circuit.kind === "bus-displays");
    const buses = [...new Set(circuits.map(({ bus }) => bus))];
    return buses.flatMap((bus) => {
      const on = circuits.filter((circuit) => circuit.bus === bus && circuit.members.length > 0);
      if (on.length < 2) return [];
      const free = [0, 1, 2, 3].find((other) => !buses.includes(other));
      const [first, second] = on;
      return [
        {
          message: `${listed(on.map(({ name }) => name))} are on the same bus with the same addresses.`,
          subjects: on.flatMap(({ members }) => members.map((id) => ({ kind: "element" as const, id }))),
          fixes: [
            {
              title: `Put the displays of ${second.name} into ${first.name}`,
              apply: (d) => ({
                ...d,
                circuits: d.circuits.flatMap((circuit) => {
                  if (circuit.id === second.id) return [];
                  if (circuit.id !== first.id || circuit.kind !== "bus-displays") return [circuit];
                  return [{ ...circuit, members: [...circuit.members, ...second.members] }];
                }),
              }),
            },
            ...(free === undefined
              ? []
              : [
                  {
                    title: `Give ${second.name} a bus of its own`,
                    apply: (d: typeof design) => changeCircuit<BusDisplays>(d, second.id, { bus: free }),
                  },
                ]),
          ],
        },
      ];
    });
  },
};
