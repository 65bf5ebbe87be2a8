import { states } from "../power/consumers";
import { supplyView } from "../power/supplyView";
import { bad } from "../document/problem";
import { type Artifact, asText } from "./artifact";
import { csvFile } from "./csvFile";

const HEADS = { idle: "At rest (mA)", typical: "Usual (mA)", worst: "At most (mA)", asleep: "Asleep (mA)" } as const;

export const powerCsv: Artifact = {
  id: "power-csv",
  title: "Current table",
  purpose: "Everything that takes current, at rest, as usual, at its most and asleep, with its rail and its voltage.",
  make: async (design) => {
    const view = supplyView(design);
    if (!view) return bad({ path: "controllers", message: "the design has no controller; choose one first" });
    const row = (
      part: string,
      sort: string,
      rail: string,
      ma: Record<(typeof states)[number], number>,
      volts: string,
    ) => ({
      Part: asText(part),
      Sort: sort,
      Rail: rail,
      ...Object.fromEntries(states.map((state) => [HEADS[state], ma[state].toFixed(3)])),
      "Least voltage (V)": volts,
    });
    const sums = Object.fromEntries(states.map((state) => [state, view.moments[state].ma])) as Record<
      (typeof states)[number],
      number
    >;
    const rows = view.parts.map(({ label, sort, rail, ma, leastV }) =>
      row(label, sort, rail ?? "inside the module", ma, leastV.toFixed(3)),
    );
    const heads = ["Part", "Sort", "Rail", ...states.map((state) => HEADS[state]), "Least voltage (V)"];
    return csvFile(design, "power", heads, [...rows, row(`From the ${view.sourceTitle}`, "sum", "", sums, "")]);
  },
};
