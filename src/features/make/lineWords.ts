import type { LineProblem } from "@/core/formats/table";

/** What was taken from a table, and the first of what was not. */
export function lineWords(taken: string, problems: LineProblem[], more: string[] = []): string {
  const wrong = problems.slice(0, 3).map(({ line, message }) => `Line ${line}: ${message}`);
  const left = problems.length > 3 ? [`${problems.length - 3} more lines were left out.`] : [];
  return [`${[taken, ...more].join("; ")}.`, ...wrong, ...left].join(" ");
}
