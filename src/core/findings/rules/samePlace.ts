import { circuitKindOf } from "../../circuits";
import type { Design } from "../../document/schema";
import { type Rule, listed } from "../finding";

/** Two switches of a two-way matrix at one crossing and one direction; lamps from a line to itself, or two between one pair. */
export const samePlace: Rule = {
  id: "wiring/same-place",
  stage: "wiring",
  severity: "stop",
  why: "Two parts at one place are told, or lit, as one; a lamp from a line to itself never lights.",
  source: "follows from the circuits",
  check(design, { elements }) {
    const label = (id: string) => elements.get(id)?.label ?? id;
    return design.circuits.flatMap((circuit) => {
      const places: [string, string][] =
        circuit.kind === "two-way-matrix"
          ? Object.entries(circuit.cells).map(([id, { row, column, direction }]) => [
              id,
              `R${row + 1} C${column + 1}, ${direction.replaceAll("-", " ")}`,
            ])
          : circuit.kind === "charlieplex"
            ? Object.entries(circuit.pairs).map(([id, { from, to }]) => [id, `X${from + 1} to X${to + 1}`])
            : [];
      const at = new Map<string, string[]>();
      for (const [id, place] of places) at.set(place, [...(at.get(place) ?? []), id]);
      const loops =
        circuit.kind === "charlieplex"
          ? Object.keys(circuit.pairs).filter((id) => circuit.pairs[id].from === circuit.pairs[id].to)
          : [];
      const again = (ids: string[]) => ({
        title: `Give ${listed(ids.map(label))} ${ids.length === 1 ? "a place" : "places"} of ${ids.length === 1 ? "its" : "their"} own`,
        apply: (d: Design): Design => {
          const kind = circuitKindOf(circuit);
          const cleared = ids.reduce((left, id) => kind.without(left, id), circuit);
          return { ...d, circuits: d.circuits.map((one) => (one.id === circuit.id ? kind.with(cleared, ids) : one)) };
        },
      });
      return [
        ...[...at].flatMap(([place, ids]) =>
          ids.length < 2
            ? []
            : [
                {
                  message: `${listed(ids.map(label))} of ${circuit.name} are at the same place: ${place}.`,
                  subjects: ids.map((id) => ({ kind: "element" as const, id })),
                  fixes: [again(ids.slice(1))],
                },
              ],
        ),
        ...loops.map((id) => ({
          message: `${label(id)} of ${circuit.name} leads from a line to itself and never lights.`,
          subjects: [{ kind: "element" as const, id }],
          fixes: [again([id])],
        })),
      ];
    });
  },
};
