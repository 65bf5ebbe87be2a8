import { type PacketSettings, packetSettingsSchema, usualPacket } from "@/core/hid/packetSettings";
import { usualTimes } from "@/core/hid/padPortSettings";
import { setPacket, setPadPort } from "@/core/edits/reportSet";
import type { Design } from "@/core/document/schema";

const PARTS = ["counter", "keys", "axes", "wide", "knobs", "answers"] as const;
const CHECKS: Record<string, PacketSettings["check"]> = {
  unchecked: "none",
  "with a sum": "sum",
  "with crc8": "crc8",
  "with crc16": "crc16",
};

/** "stuffed, with crc16, counter, keys, gap 5, every 50", "characters 3c 2c 3e 5c, unchecked, keys": what is left out is not in it. */
export function withPacket(design: Design, what: string): Design {
  const packet: Record<string, unknown> = { ...usualPacket, gapMs: 1, everyMs: 0, check: "none" };
  for (const part of PARTS) packet[part] = false;
  for (const words of what.split(",").map((one) => one.trim())) {
    const [first, ...rest] = words.split(" ");
    if (first === "gap") packet.gapMs = Number(rest[0]);
    else if (first === "every") packet.everyMs = Number(rest[0]);
    else if (Object.hasOwn(CHECKS, words)) packet.check = CHECKS[words];
    else if ((PARTS as readonly string[]).includes(first)) packet[first] = true;
    else packet.framing = first;
    if (first !== "characters") continue;
    const [start, separator, end, escape] = rest.map((byte) => parseInt(byte, 16));
    packet.marks = { start, separator, end, escape };
  }
  return setPacket(design, packetSettingsSchema.parse(packet));
}

/** "A B free low free free free free, after low": the switch of each bit, and what follows. */
export function withPort(design: Design, what: string): Design {
  const [bits, after = "after high"] = what.split(",").map((one) => one.trim());
  return setPadPort(design, {
    ...usualTimes,
    bits: bits.split(" ").map((bit) => (bit === "free" || bit === "low" ? bit : `${bit}:press`)),
    after: after === "after low" ? "low" : "high",
  });
}
