/** One thing wrong with data from outside: where it is, and a sentence on what is wrong and what would be right. */
export interface Problem {
  /** Dotted path from the top: "controls.3.placement.xMm"; empty for the whole. */
  path: string;
  message: string;
}

export type Result<T> = { ok: true; value: T } | { ok: false; problems: Problem[] };

export const good = <T>(value: T): Result<T> => ({ ok: true, value });
export const bad = <T>(...problems: Problem[]): Result<T> => ({ ok: false, problems });
