/** Words in lines, and the size of their letters. */
export interface FittedLines {
  lines: string[];
  size: number;
}

const LINE = 1.15;
const STEP = 0.1;

/** Words one after another in lines of at most so many letters; null where a word is longer. */
function wrapped(words: string[], most: number): string[] | null {
  const lines: string[] = [];
  for (const word of words) {
    if (word.length > most) return null;
    const last = lines.at(-1);
    if (last !== undefined && last.length + 1 + word.length <= most) lines[lines.length - 1] = `${last} ${word}`;
    else lines.push(word);
  }
  return lines;
}

/**
 * Fits words into a box with the largest letters that do.
 * @param room width and height in the unit of the sizes
 * @param letter width of a letter as a share of its size
 * @returns null when even the smallest letters do not fit
 */
export function fitLines(
  text: string,
  room: { width: number; height: number },
  { smallest, largest, letter }: { smallest: number; largest: number; letter: number },
): FittedLines | null {
  const words = text.split(/\s+/).filter(Boolean);
  for (let step = 0; largest - step * STEP >= smallest - 1e-9; step++) {
    const size = largest - step * STEP;
    const lines = wrapped(words, Math.floor(room.width / (size * letter)));
    if (lines && lines.length * size * LINE <= room.height) return { lines, size };
  }
  return null;
}
