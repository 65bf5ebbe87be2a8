"use client";

import { Box } from "@chakra-ui/react";
import { PACKET_MOST } from "@/core/contract/radio";
import { setPacket } from "@/core/edits/reportSet";
import { type PacketField, fieldBytes, packetFields } from "@/core/firmware/packet";
import { packetOf } from "@/core/firmware/packetOf";
import { scanTableOf } from "@/core/firmware/scanTable";
import {
  type Framing,
  type PacketCheck,
  type PacketMarks,
  type PacketSettings,
  packetSettingsSchema,
} from "@/core/hid/packetSettings";
import { edit, useDesign } from "@/store/bench";
import { useSession } from "@/store/session";
import { Checkbox, ChoiceField, NumberField, TextField } from "@/ui/pieces/fields";
import { NumberFields } from "@/ui/pieces/NumberFields";
import { Columns, Section, Values } from "@/ui/pieces/sheets";

const FRAMINGS: { value: Framing; label: string }[] = [
  { value: "whole", label: "as it is, for a radio that takes packets" },
  { value: "marked", label: "between flags (RFC 1662), for a stream" },
  { value: "characters", label: "between characters of your own, for a stream" },
  { value: "stuffed", label: "without a zero, which ends it (COBS), for a stream" },
];

const FRAMING_WORDS: Record<Framing, string> = {
  whole: "The radio itself says where a packet begins, and how long it is.",
  marked:
    "7E begins and ends a packet. A byte that is 7E or 7D stands behind 7D, turned with 20: no flag is ever within, so a receiver that comes late waits for the next one.",
  characters:
    "A separator stands between two fields. A byte that equals one of the four stands behind the escape as it is; where an escape is lost on the way, what follows it is taken for a mark.",
  stuffed: "Two bytes more, whatever is in it. A receiver that comes late waits for the next zero.",
};

const CHECKS: { value: PacketCheck; label: string }[] = [
  { value: "none", label: "none" },
  { value: "sum", label: "the sum of its bytes, 8 bits" },
  { value: "crc8", label: "CRC of 8 bits (polynomial 07)" },
  { value: "crc16", label: "CRC of 16 bits (1021, from FFFF)" },
];

const CHECK_WORDS: Record<PacketCheck, string> = {
  none: "What is spoilt on the way is taken for what was sent, unless the radio itself has a check.",
  sum: "Misses bytes that change places, and errors that make up for each other.",
  crc8: "Finds every single spoilt bit and burst of up to 8; of others it misses one in 256.",
  crc16: "Finds every single spoilt bit and burst of up to 16; of others it misses one in 65,536.",
};

const PARTS: { key: "counter" | "keys" | "axes" | "wide" | "knobs" | "answers"; label: string }[] = [
  { key: "counter", label: "A number that counts packets, so that lost ones are noticed" },
  { key: "keys", label: "Keys and all other contacts, a bit each" },
  { key: "axes", label: "Sticks, pots and levers" },
  { key: "wide", label: "Two bytes an axis (14 bits)" },
  { key: "knobs", label: "Values of knobs" },
  { key: "answers", label: "The acknowledgement brings what the computer tells" },
];

/** What a radio sends: its packet, byte by byte, and how it is framed and checked. */
export function PacketSection() {
  const design = useDesign();
  const packet = packetOf(design);
  if (!packet) return null;
  const fields = packetFields(scanTableOf(design), design, packet);
  const set = (change: Partial<PacketSettings>) =>
    edit("the radio’s packet", (d) => setPacket(d, { ...packet, ...change }));
  return (
    <Section title="Radio packet">
      <ChoiceField
        label="Framed"
        value={packet.framing}
        choices={FRAMINGS}
        onCommit={(framing) => set({ framing: framing as Framing })}
      />
      {packet.framing === "characters" && <Marks marks={packet.marks} onCommit={(marks) => set({ marks })} />}
      <Note>{FRAMING_WORDS[packet.framing]}</Note>
      <ChoiceField
        label="Check value"
        value={packet.check}
        choices={CHECKS}
        onCommit={(check) => set({ check: check as PacketCheck })}
      />
      <Note>{CHECK_WORDS[packet.check]}</Note>
      {PARTS.map(({ key, label }) => (
        <Checkbox key={key} label={label} checked={packet[key]} onChange={(on) => set({ [key]: on })} />
      ))}
      <Columns>
        <NumberFields
          schema={packetSettingsSchema}
          lines={[{ key: "gapMs", label: "From one to the next at least", unit: "ms" }]}
          values={packet}
          onCommit={(key, value) => set({ [key]: value })}
        />
        <NumberField
          label="Sent again after at most (0: never)"
          unit="ms"
          whole
          min={0}
          max={2550}
          value={packet.everyMs}
          onCommit={(ms) => set({ everyMs: Math.round(ms / 10) * 10 })}
        />
      </Columns>
      <Box>Its bytes, the first one 0:</Box>
      <Values rows={rowsOf(fields)} />
      <Box>
        {fieldBytes(fields)} of {PACKET_MOST} bytes that a radio module takes at once.
      </Box>
      <LastPacket />
    </Section>
  );
}

const Note = ({ children }: { children: string }) => (
  <Box fontSize="13px" color="var(--faint)">
    {children}
  </Box>
);

const hexByte = (byte: number) => byte.toString(16).toUpperCase().padStart(2, "0");
/** Signs of ASCII are shown beside their number. */
const signOf = (byte: number) => (byte > 0x20 && byte < 0x7f ? ` (${String.fromCharCode(byte)})` : "");
const MARK_TITLES = { start: "Start", separator: "Separator", end: "End", escape: "Escape" };

function Marks({ marks, onCommit }: { marks: PacketMarks; onCommit: (marks: PacketMarks) => void }) {
  const keys = ["start", "separator", "end", "escape"] as const;
  return (
    <Columns>
      {keys.map((key) => (
        <TextField
          key={key}
          label={`${MARK_TITLES[key]}${signOf(marks[key])}`}
          mono
          value={hexByte(marks[key])}
          check={(text) => (/^[0-9a-f]{1,2}$/i.test(text.trim()) ? null : "Two digits from 0 to 9 and A to F.")}
          onCommit={(text) => onCommit({ ...marks, [key]: parseInt(text, 16) })}
        />
      ))}
    </Columns>
  );
}

/** "2 to 3": what is there. */
function rowsOf(fields: readonly PacketField[]): [string, string][] {
  let at = 0;
  return fields.map((field) => {
    const from = at;
    at += field.bytes;
    const place = field.bytes === 1 ? String(from) : `${from} to ${at - 1}`;
    return [place, field.bits ? `${field.name}: ${field.bits.join(", ")}` : field.name];
  });
}

function LastPacket() {
  const last = useSession((state) => state.radio?.packets.at(-1));
  if (!last) return null;
  return (
    <Box fontFamily="mono" aria-label="Last packet">
      {[...last.sent].map(hexByte).join(" ")}
    </Box>
  );
}
