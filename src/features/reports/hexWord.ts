/** Two bytes as four hexadecimal digits. */
export const hexWord = (value: number): string => value.toString(16).toUpperCase().padStart(4, "0");

/** What is wrong with a number of two bytes as a person types it, or null. */
export function hexProblem(text: string, least: number): string | null {
  if (!/^[0-9a-f]{1,4}$/i.test(text.trim())) return "Four digits from 0 to 9 and A to F.";
  return parseInt(text, 16) < least ? `At least ${hexWord(least)}.` : null;
}
