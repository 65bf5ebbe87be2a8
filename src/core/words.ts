/** "A", "A and B", "A, B and C". */
export function listed(words: string[]): string {
  return words.length < 2 ? words.join("") : `${words.slice(0, -1).join(", ")} and ${words.at(-1)}`;
}

/** A number with its noun: "1 pin", "3 pins". */
export const counted = (n: number, noun: string): string => `${n} ${noun}${n === 1 ? "" : "s"}`;
