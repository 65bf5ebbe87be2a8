import type { schemaCore } from "../schema";
import type { Problem } from "./problem";
import type { Design } from "./schema";

type Issue = schemaCore.$ZodIssue;

/** What is too large or too small, in the words of its sort. */
function boundWords(issue: Extract<Issue, { code: "too_big" | "too_small" }>): string {
  const bound = String(issue.code === "too_big" ? issue.maximum : issue.minimum);
  const more = issue.code === "too_big" ? "more" : "fewer";
  if (issue.origin === "array") return `has ${more} than ${bound} entries`;
  if (issue.origin === "string") return `has ${more} than ${bound} characters`;
  return issue.code === "too_big" ? `is more than ${bound}` : `is less than ${bound}`;
}

function sentence(issue: Issue): string {
  if (issue.code === "unrecognized_keys") return `has fields that are not known here: ${issue.keys.join(", ")}`;
  if (issue.code === "too_big" || issue.code === "too_small") return boundWords(issue);
  if (issue.code === "invalid_union" && issue.errors.length === 0)
    return "is of a kind that this version does not know";
  return issue.message.replace(/^Invalid input: /, "");
}

/** One issue of the schema library as a problem: its dotted path, and a sentence. */
export const problemOf = (issue: Issue): Problem => ({
  path: issue.path.map(String).join("."),
  message: sentence(issue),
});

const LISTS: Record<string, string> = {
  controls: "The parts",
  boards: "The boards",
  circuits: "The circuits",
  groups: "The groups",
  links: "The links",
  controllers: "The controllers",
  profiles: "The controller classes",
  parts: "The parts of one's own",
  capSets: "The cap sets",
  colourGroups: "The colour groups",
  journal: "The journal's entries",
};

/** "xMm" → "x (mm)", "debounceMs" → "debounce (ms)". */
function fieldWords(field: string): string {
  const [, stem, unit] = /^(.*?)(Mm|Ms|Us|Deg|Ohm|U)?$/.exec(field)!;
  const words = stem.replace(/[A-Z]/g, (letter) => ` ${letter.toLowerCase()}`);
  const UNITS: Record<string, string> = { Mm: "mm", Ms: "ms", Us: "µs", Deg: "°", Ohm: "Ω", U: "units" };
  return unit ? `${words} (${UNITS[unit]})` : words;
}

interface Named {
  label?: string;
  name?: string;
  id?: string;
}

/** Where a path leads, in words a person can follow: "K4, x (mm)", "Circuit Direct, members". */
export function placeInWords(design: Design, path: string): string {
  const steps = path.split(".");
  const list = design[steps[0] as keyof Design];
  if (steps.length === 1) return LISTS[steps[0]] ?? `The design's ${fieldWords(steps[0])}`;
  const rest = (from: number) => steps.slice(from).filter((step) => step !== "placement");
  if (!Array.isArray(list)) return `The design's ${steps.map(fieldWords).join(", ")}`;
  const entry = list[Number(steps[1])] as Named | undefined;
  const name = entry?.label ?? entry?.name ?? entry?.id ?? `number ${Number(steps[1]) + 1}`;
  const title = steps[0] === "controls" ? name : `${steps[0].replace(/s$/, "")} “${name}”`;
  const words = [title[0].toUpperCase() + title.slice(1), ...rest(2).map(fieldWords)];
  return words.join(", ");
}
