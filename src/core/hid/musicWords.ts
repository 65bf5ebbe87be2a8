/** Names of what music is told, as MIDI 1.0 has them. */

const LETTERS = ["C", "C♯", "D", "D♯", "E", "F", "F♯", "G", "G♯", "A", "A♯", "B"] as const;
export const OCTAVE = LETTERS.length;
export const LAST_NOTE = 127;

/** "C4" for note 60, the middle of a keyboard (common practice; some count octaves one lower). */
export const noteName = (note: number): string => `${LETTERS[note % OCTAVE]}${Math.floor(note / OCTAVE) - 1}`;

const SIGNS: Record<string, number> = { "♯": 1, "#": 1, "♭": -1, b: -1, "": 0 };
const STEPS: Record<string, number> = { C: 0, D: 2, E: 4, F: 5, G: 7, A: 9, B: 11 };

/** The note that a name stands for: "C4", "f#3", "Bb2"; or its number. Null for what is none. */
export function noteNamed(words: string): number | null {
  const text = words.trim();
  if (/^\d{1,3}$/.test(text)) return Number(text) <= LAST_NOTE ? Number(text) : null;
  const [, letter, sign, octave] = /^([A-Ga-g])([♯#♭b]?)\s*(-1|\d)$/.exec(text) ?? [];
  if (letter === undefined) return null;
  const note = (Number(octave) + 1) * OCTAVE + STEPS[letter.toUpperCase()] + SIGNS[sign];
  return note >= 0 && note <= LAST_NOTE ? note : null;
}

/** Controllers that have a name of their own (MIDI 1.0, table III). */
const CONTROLLERS: Record<number, string> = {
  1: "modulation",
  2: "breath",
  4: "foot",
  5: "portamento time",
  7: "channel volume",
  8: "balance",
  10: "pan",
  11: "expression",
  64: "damper pedal",
  65: "portamento",
  66: "sostenuto",
  67: "soft pedal",
  71: "resonance",
  72: "release time",
  73: "attack time",
  74: "brightness",
  91: "reverb",
  93: "chorus",
};
export const namedControllers = Object.entries(CONTROLLERS).map(([number, name]) => ({ number: Number(number), name }));
export const LAST_CONTROLLER = 119;
/** Controllers of which the fine part is that number and 32. */
export const LAST_FINE_CONTROLLER = 31;

/** "controller 7 (channel volume)" */
export const controllerName = (number: number): string =>
  Object.hasOwn(CONTROLLERS, number) ? `controller ${number} (${CONTROLLERS[number]})` : `controller ${number}`;
