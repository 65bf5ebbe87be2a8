import type { CapForm, CapLot } from "../document/capSet";
import { capForms } from "../document/capSet";
import { type LineProblem, numberIn, readTable } from "./table";

const COLUMNS = {
  width: ["width", "w"],
  height: ["height", "h"],
  profile: ["row profile", "profile", "row"],
  count: ["count", "number", "pieces"],
  label: ["label", "legend", "name"],
  form: ["form", "shape"],
};

interface NumberRule {
  column: "width" | "height" | "count";
  least: number;
  most: number;
  otherwise: number | null;
  whole?: boolean;
}

const rules: NumberRule[] = [
  { column: "width", least: 0.5, most: 10, otherwise: null },
  { column: "height", least: 0.5, most: 4, otherwise: 1 },
  { column: "count", least: 1, most: 500, otherwise: 1, whole: true },
];

function numberFor({ column, least, most, otherwise, whole }: NumberRule, cell: string | undefined): number | string {
  const value = cell ? numberIn(cell) : otherwise;
  if (value === null || value < least || value > most || (whole && !Number.isInteger(value)))
    return `The ${column} "${cell ?? ""}" is not ${whole ? "a whole number" : "a number"} from ${least} to ${most}.`;
  return value;
}

function lotOf(cells: Record<string, string>): CapLot | string {
  const numbers = rules.map((rule) => numberFor(rule, cells[rule.column]));
  const wrong = numbers.find((value) => typeof value === "string");
  if (wrong !== undefined) return wrong as string;
  const form = (cells.form || "plain") as CapForm;
  if (!capForms.includes(form)) return `The form "${form}" is none of ${capForms.join(", ")}.`;
  const [widthU, heightU, count] = numbers as number[];
  const { profile = "", label = "" } = cells;
  return { widthU, heightU, form, profile: profile.slice(0, 12), label: label.slice(0, 40), count };
}

/** Reads a cap set: width, height, row profile, count, label (and form). Lines with problems are left out and told. */
export function readCapTable(text: string): { caps: CapLot[]; problems: LineProblem[] } {
  const table = readTable(text, COLUMNS);
  const problems = [...table.problems];
  const caps: CapLot[] = [];
  for (const { line, cells } of table.rows) {
    const lot = lotOf(cells);
    if (typeof lot === "string") problems.push({ line, message: lot });
    else caps.push(lot);
  }
  if (table.rows.length === 0) problems.push({ line: 1, message: "There is no line with numbers." });
  return { caps, problems };
}
