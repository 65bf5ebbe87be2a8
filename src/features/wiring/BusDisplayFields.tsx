"use client";

import type { BusDisplays } from "@/core/circuits/busDisplays";
import { type DisplayTelling, type PlaceByte, START_FRAMES, usualTelling } from "@/core/circuits/displayTelling";
import { DISPLAYS } from "@/core/contract/displays";
import { derive } from "@/core/derived/derive";
import { useDesign } from "@/store/bench";
import { NumberField, TextField } from "@/ui/pieces/fields";
import { Columns } from "@/ui/pieces/sheets";

const hex = (byte: number) => byte.toString(16).toUpperCase().padStart(2, "0");
const startWords = (start: DisplayTelling["start"]) => start.map((frame) => frame.map(hex).join(" ")).join(", ");

/** "00 AE, 00 AF": frames of bytes; null where they are none. */
function readStart(words: string): DisplayTelling["start"] | null {
  if (words.trim() === "") return [];
  const frames = words.split(",").map((frame) => frame.trim().split(/\s+/));
  const isByte = (byte: string) => /^[0-9a-f]{2}$/i.test(byte);
  if (frames.length > START_FRAMES || frames.some((frame) => frame.length > DISPLAYS.FRAME || !frame.every(isByte)))
    return null;
  return frames.map((frame) => frame.map((byte) => parseInt(byte, 16)));
}

const placeWords = (place: readonly PlaceByte[]) =>
  place.map(({ byte, adds }) => hex(byte) + (adds === "nothing" ? "" : `+${adds}`)).join(" ");

/** "00 B0+row 00+low 10+high"; null where it is none of that. */
function readPlace(words: string): PlaceByte[] | null {
  const read = words
    .trim()
    .split(/\s+/)
    .map((token) => /^([0-9a-f]{2})(?:\+(row|column|low|high))?$/i.exec(token));
  if (read.length > DISPLAYS.FRAME || read.some((one) => one === null)) return null;
  return read.map((one) => ({
    byte: parseInt(one![1], 16),
    adds: (one![2]?.toLowerCase() ?? "nothing") as PlaceByte["adds"],
  }));
}

const badStart = (words: string) =>
  readStart(words) === null
    ? `Give bytes in hexadecimal, up to ${DISPLAYS.FRAME} a frame, frames parted by commas, like 00 AE, 00 AF; at most ${START_FRAMES}.`
    : null;
const badPlace = (words: string) =>
  readPlace(words) === null
    ? "Give bytes in hexadecimal; what is added to one stands behind it: +row, +column, +low or +high (of the column)."
    : null;
const badByte = (words: string) => (/^[0-9a-f]{2}$/i.test(words.trim()) ? null : "Two hexadecimal digits, 00 to FF.");

/** How the displays are told what: data of their class. */
export function BusDisplayFields({
  circuit,
  set,
}: {
  circuit: BusDisplays;
  set: (change: Partial<BusDisplays>) => void;
}) {
  const { elements, controls } = derive(useDesign());
  const first = circuit.members.map((id) => controls.get(elements.get(id)?.controlId ?? "")).find(Boolean);
  const usual = usualTelling(first?.kind === "display" ? first.heightPx : 64);
  const told = circuit.told ?? usual;
  const tell = (change: Partial<DisplayTelling>) => {
    const next = { ...told, ...change };
    set({ told: JSON.stringify(next) === JSON.stringify(usual) ? undefined : next });
  };
  return (
    <>
      <TextField
        label="Displays are told at the start"
        mono
        value={startWords(told.start)}
        check={badStart}
        help="Frames behind the address, as typical of the class, from memory: hold them against your part's data sheet. 81 and the byte behind it are the contrast."
        onCommit={(words) => tell({ start: readStart(words) ?? told.start })}
      />
      <TextField
        label="What places the dots that follow"
        mono
        value={placeWords(told.place)}
        check={badPlace}
        onCommit={(words) => tell({ place: readPlace(words) ?? told.place })}
      />
      <Columns>
        <TextField
          label="Before dots (hex)"
          mono
          value={hex(told.before)}
          check={badByte}
          onCommit={(words) => tell({ before: parseInt(words, 16) })}
        />
        <NumberField
          label="First column"
          unit=""
          whole
          min={0}
          max={255}
          value={told.firstColumn}
          onCommit={(firstColumn) => tell({ firstColumn })}
        />
      </Columns>
    </>
  );
}
