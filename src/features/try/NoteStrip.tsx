"use client";

import type { SoundingNote } from "@/core/engine/musicHeard";
import { LAST_NOTE, OCTAVE, noteName } from "@/core/hid/musicWords";

const WIDTH = 10;
const HEIGHT = 42;
const SHORT = 0.6;
/** Between E and F, and between B and C, there is no short key. */
const LONG_KEYS = [0, 2, 4, 5, 7, 9, 11];
const isLong = (note: number) => LONG_KEYS.includes(note % OCTAVE);
const OCTAVES = 3;
const USUAL_FIRST = 48;

/** Three octaves about what sounds. */
function firstOf(sounding: SoundingNote[]): number {
  const notes = sounding.map(({ note }) => note);
  if (notes.every((note) => note >= USUAL_FIRST && note < USUAL_FIRST + OCTAVES * OCTAVE)) return USUAL_FIRST;
  return Math.min(OCTAVE * Math.floor(Math.min(...notes) / OCTAVE), LAST_NOTE + 1 - OCTAVE * OCTAVES);
}

/** The keys of an instrument, those that sound filled. */
export function NoteStrip({ sounding }: { sounding: SoundingNote[] }) {
  const first = Math.max(0, firstOf(sounding));
  const down = new Set(sounding.map(({ note }) => note));
  const notes = Array.from({ length: OCTAVES * OCTAVE }, (_, nth) => first + nth);
  const xOf = (note: number) => WIDTH * notes.filter((one) => one < note && isLong(one)).length;
  const longs = notes.filter(isLong);
  const shorts = notes.filter((note) => !isLong(note));
  const fill = (note: number, rest: string) => (down.has(note) ? "var(--saffron)" : rest);
  return (
    <svg
      viewBox={`0 0 ${WIDTH * longs.length} ${HEIGHT + 12}`}
      width="100%"
      role="img"
      aria-label={down.size === 0 ? "No note sounds" : `Sounding: ${[...down].map(noteName).join(", ")}`}
    >
      {longs.map((note) => (
        <rect
          key={note}
          x={xOf(note)}
          y={0}
          width={WIDTH}
          height={HEIGHT}
          fill={fill(note, "var(--sheet)")}
          stroke="var(--ink)"
          strokeWidth={0.5}
        />
      ))}
      {shorts.map((note) => (
        <rect
          key={note}
          x={xOf(note) - WIDTH * 0.3}
          y={0}
          width={WIDTH * 0.6}
          height={HEIGHT * SHORT}
          fill={fill(note, "var(--ink)")}
          stroke="var(--ink)"
          strokeWidth={0.5}
        />
      ))}
      {longs
        .filter((note) => note % OCTAVE === 0)
        .map((note) => (
          <text key={note} x={xOf(note) + 1} y={HEIGHT + 8} style={{ fontSize: 7 }} fill="var(--faint)">
            {noteName(note)}
          </text>
        ))}
    </svg>
  );
}
