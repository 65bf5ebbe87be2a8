import type { LineAccess } from "../circuits/lineAccess";

export type AccessBy<By extends LineAccess["by"]> = Extract<LineAccess, { by: By }>;

/**
 * Lines that are reached in one way, put together by what they share: a chain's clock, a bus, a common line.
 * @returns sets in the order of their first line, each line with its net's id
 */
export function accessSets<By extends LineAccess["by"]>(
  access: Record<string, LineAccess>,
  by: By,
  keyOf: (line: AccessBy<By>) => string,
): [netId: string, line: AccessBy<By>][][] {
  const sets = new Map<string, [string, AccessBy<By>][]>();
  for (const [netId, line] of Object.entries(access)) {
    if (line.by !== by) continue;
    const own = line as AccessBy<By>;
    sets.set(keyOf(own), [...(sets.get(keyOf(own)) ?? []), [netId, own]]);
  }
  return [...sets.values()];
}

/** Numbers of the multiplexers of a set, in order. */
export const chipsOf = (lines: { chip: number }[]): number[] =>
  [...new Set(lines.map(({ chip }) => chip))].sort((a, b) => a - b);

/** Addresses of the expanders of a bus, in order. */
export const addressesOf = (lines: { address: number }[]): number[] =>
  [...new Set(lines.map(({ address }) => address))].sort((a, b) => a - b);

/** Bits that a chain must have: one more than the highest that is used. */
export const bitsOf = (lines: { bit: number }[]): number => Math.max(...lines.map(({ bit }) => bit)) + 1;
