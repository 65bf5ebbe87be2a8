import { LAST_NOTE, OCTAVE } from "../hid/musicWords";

/** Scales by the semitones of their steps above the first note (common practice). */
export const scales = {
  chromatic: { title: "every semitone", steps: [0, 1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11] },
  major: { title: "major", steps: [0, 2, 4, 5, 7, 9, 11] },
  minor: { title: "natural minor", steps: [0, 2, 3, 5, 7, 8, 10] },
  pentatonic: { title: "five tones, major", steps: [0, 2, 4, 7, 9] },
} as const satisfies Record<string, { title: string; steps: readonly number[] }>;
export type ScaleId = keyof typeof scales;
export const scaleIds = Object.keys(scales) as ScaleId[];

/** The nth note of a scale that begins at a note. */
export const noteOfScale = (scale: ScaleId, first: number, nth: number): number => {
  const { steps } = scales[scale];
  return first + OCTAVE * Math.floor(nth / steps.length) + steps[nth % steps.length];
};

/** How many notes of a scale there are from its first one on. */
export function notesOfScale(scale: ScaleId, first: number): number {
  let count = 0;
  while (noteOfScale(scale, first, count) <= LAST_NOTE) count++;
  return count;
}

/** The scale whose steps these rising notes are, and at which of them one is left out; null where they follow none. */
export function gapsOf(notes: readonly number[]): { scale: ScaleId; missing: number[] } | null {
  const inScale = (scale: ScaleId, root: number, note: number) => {
    const above = (((note - root) % OCTAVE) + OCTAVE) % OCTAVE;
    return (scales[scale].steps as readonly number[]).includes(above);
  };
  const between = (from: number, to: number) => Array.from({ length: to - from + 1 }, (_, nth) => from + nth);
  const found = (["pentatonic", "major", "minor", "chromatic"] as const).flatMap((scale) =>
    between(0, OCTAVE - 1).flatMap((root) => {
      if (!notes.every((note) => inScale(scale, root, note))) return [];
      const all = between(notes[0], notes.at(-1)!).filter((note) => inScale(scale, root, note));
      return [{ scale, missing: all.filter((note) => !notes.includes(note)) }];
    }),
  );
  const best = found.sort((a, b) => a.missing.length - b.missing.length)[0];
  return best ?? null;
}
