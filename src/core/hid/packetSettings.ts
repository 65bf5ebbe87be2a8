import { whole, z } from "../schema";

export const framings = ["whole", "marked", "characters", "stuffed"] as const;
export type Framing = (typeof framings)[number];

export const packetChecks = ["none", "sum", "crc8", "crc16"] as const;
export type PacketCheck = (typeof packetChecks)[number];

const marksSchema = z.strictObject({
  start: whole(0, 255),
  separator: whole(0, 255),
  end: whole(0, 255),
  escape: whole(0, 255),
});
export type PacketMarks = z.infer<typeof marksSchema>;

/** What a radio is given: what is in its packet, how that is framed and checked, and how often it is sent. */
export const packetSettingsSchema = z.strictObject({
  framing: z.enum(framings),
  check: z.enum(packetChecks),
  /** Of the framing by characters of one's own. */
  marks: marksSchema,
  counter: z.boolean(),
  keys: z.boolean(),
  axes: z.boolean(),
  /** Two bytes an axis. */
  wide: z.boolean(),
  knobs: z.boolean(),
  /** From one packet to the next at least. */
  gapMs: whole(1, 250),
  /** It is sent again after so long, though nothing has changed, in steps of 10 ms; 0: never. */
  everyMs: whole(0, 2550),
  /** What comes back on the acknowledgement is what the panel is told. */
  answers: z.boolean(),
});
export type PacketSettings = z.infer<typeof packetSettingsSchema>;

/** The marks of RFC 1662, section 4.2: one flag at both ends, and what follows the escape is turned, so that no flag is within. */
export const FLAG_MARKS: PacketMarks = { start: 0x7e, separator: 0x7e, end: 0x7e, escape: 0x7d };
export const FLAG_TURNED = 0x20;

/** As a radio module takes it: it frames packets itself, and says how long each is. */
export const usualPacket: PacketSettings = {
  framing: "whole",
  check: "crc16",
  // "<", ",", ">" and the stroke that leans back.
  marks: { start: 0x3c, separator: 0x2c, end: 0x3e, escape: 0x5c },
  counter: true,
  keys: true,
  axes: true,
  wide: false,
  knobs: true,
  gapMs: 10,
  everyMs: 100,
  answers: false,
};

export const CHECK_BYTES: Record<PacketCheck, number> = { none: 0, sum: 1, crc8: 1, crc16: 2 };
