"use client";

import { type SegmentStart, usualStart } from "@/core/circuits/segmentStart";
import type { SegmentChain } from "@/core/circuits/segmentChain";
import { SEGMENTS } from "@/core/contract/segments";
import { Checkbox, TextField } from "@/ui/pieces/fields";

const hex = (byte: number) => byte.toString(16).toUpperCase().padStart(2, "0");
const startWords = (start: readonly SegmentStart[]) =>
  start.map(({ register, value }) => `${hex(register)} ${hex(value)}`).join(", ");

/** "0C 00, 0F 00": pairs of a register and its value; null where they are none. */
function readStart(words: string): SegmentStart[] | null {
  if (words.trim() === "") return [];
  const pairs = words.split(",").map((pair) => /^\s*([0-9a-f]{2})\s+([0-9a-f]{2})\s*$/i.exec(pair));
  if (pairs.length > SEGMENTS.STARTS || pairs.some((pair) => pair === null)) return null;
  return pairs.map((pair) => ({ register: parseInt(pair![1], 16), value: parseInt(pair![2], 16) }));
}

const badStart = (words: string) =>
  readStart(words) === null
    ? `Give pairs of register and value in hexadecimal, like 0C 01, 0A 07; at most ${SEGMENTS.STARTS}.`
    : null;

/** Levels, and what the drivers are told first. */
export function SegmentChainFields({
  circuit,
  set,
}: {
  circuit: SegmentChain;
  set: (change: Partial<SegmentChain>) => void;
}) {
  return (
    <>
      <Checkbox
        label="A level shifter lifts the data"
        checked={circuit.shifted}
        onChange={(shifted) => set({ shifted })}
      />
      <TextField
        label="Drivers are told at the start"
        mono
        value={startWords(circuit.start ?? usualStart)}
        check={badStart}
        help="Register and value, as typical of the class, from memory: hold it against your part's data sheet. 0A is the brightness, 00 to 0F."
        onCommit={(words) => {
          const start = readStart(words);
          if (start) set({ start: startWords(start) === startWords(usualStart) ? undefined : start });
        }}
      />
    </>
  );
}
