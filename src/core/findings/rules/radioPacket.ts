import { PACKET_MOST } from "../../contract/radio";
import type { Design } from "../../document/schema";
import { setInterfaces, setPacket } from "../../edits/reportSet";
import { fieldBytes, packetFields, packetFits } from "../../firmware/packet";
import { packetOf, radiosOf } from "../../firmware/packetOf";
import { scanTableOf } from "../../firmware/scanTable";
import type { PacketCheck, PacketSettings } from "../../hid/packetSettings";
import { derive } from "../../derived/derive";
import { type Fix, type Observation, type Rule, controlSubject } from "../finding";

const change = (title: string, to: Partial<PacketSettings>): Fix => ({
  title,
  apply: (design: Design) => setPacket(design, { ...packetOf(design)!, ...to }),
});

/** The best check value that there is room for. */
function betterCheck(design: Design, packet: PacketSettings): Fix[] {
  const fits = (check: PacketCheck) => packetFits(packetFields(scanTableOf(design), design, { ...packet, check }));
  if (fits("crc16")) return [change("Let 16 bits of CRC follow", { check: "crc16" })];
  return fits("crc8") ? [change("Let 8 bits of CRC follow", { check: "crc8" })] : [];
}

/** A byte that is spoilt on the way is taken for what was sent. */
function unchecked(design: Design, packet: PacketSettings): Observation[] {
  const { framing, check } = packet;
  if (check === "crc8" || check === "crc16") return [];
  const better = betterCheck(design, packet);
  if (check === "sum")
    return [
      {
        severity: "note",
        message:
          "The packet’s check value is a sum: bytes that change places, and errors that make up for each other, pass.",
        subjects: [],
        fixes: better,
      },
    ];
  const through =
    framing === "characters"
      ? " A lost escape turns data into a mark, too, and nothing tells."
      : framing === "whole"
        ? " It rests on a check of the radio module’s own."
        : "";
  return [
    {
      severity: framing === "whole" ? "note" : "warn",
      message: `The packet can be misread: it has no check value, so a byte that is spoilt on the way is taken for what was sent.${through}`,
      subjects: [],
      fixes: better,
    },
  ];
}

/** Marks that a receiver cannot tell apart. */
function sameMarks({ framing, marks }: PacketSettings): Observation[] {
  if (framing !== "characters") return [];
  const { start, separator, end, escape } = marks;
  const same = [
    [start, escape, "start and escape"],
    [separator, escape, "separator and escape"],
    [end, escape, "end and escape"],
    [start, separator, "start and separator"],
    [separator, end, "separator and end"],
  ].flatMap(([a, b, words]) => (a === b ? [words as string] : []));
  if (same.length === 0) return [];
  return [
    {
      severity: "stop",
      message: `The packet can be misread: ${same.join("; ")} are the same byte.`,
      subjects: [],
      fixes: [change("Frame it between flags", { framing: "marked" })],
    },
  ];
}

/** What does not fit, or is not there at all. */
function wrongSize(design: Design, packet: PacketSettings): Observation[] {
  const fields = packetFields(scanTableOf(design), design, packet);
  if (packetFits(fields)) return [];
  const bytes = fieldBytes(fields);
  const narrow = bytes > PACKET_MOST && packet.wide ? [change("Take one byte an axis", { wide: false })] : [];
  const filled = bytes > PACKET_MOST ? narrow : [change("Send all there is", { keys: true, axes: true, knobs: true })];
  const message =
    bytes > PACKET_MOST
      ? `The radio’s packet has ${bytes} bytes; a module takes ${PACKET_MOST} at once. Nothing is sent until something is left out.`
      : "The radio’s packet is empty: nothing is sent.";
  return [{ severity: "stop", message, subjects: [], fixes: filled }];
}

/** What comes back has nowhere to go. */
function unheard({ reportSet }: Design, { answers }: PacketSettings): Observation[] {
  if (!answers || reportSet.interfaces.includes("panel")) return [];
  return [
    {
      message:
        "The radio’s acknowledgement brings what the computer tells, but nothing is declared that it could tell.",
      subjects: [],
      fixes: [
        {
          title: "Declare what the computer tells",
          apply: (d) => setInterfaces(d, [...d.reportSet.interfaces, "panel"]),
        },
        change("Do without it", { answers: false }),
      ],
    },
  ];
}

function silent({ everyMs, gapMs }: PacketSettings): Observation[] {
  if (everyMs >= gapMs) return [];
  const again =
    everyMs === 0
      ? "While nothing moves, the radio is silent: its receiver cannot tell that from a device that is gone, and a lost packet is made good by the next movement only."
      : `The packet is to come again after ${everyMs} ms, but not sooner than ${gapMs} ms after the one before.`;
  return [
    {
      severity: "note",
      message: again,
      subjects: [],
      fixes: [change("Send it again after 100 ms", { everyMs: 100, gapMs: Math.min(gapMs, 100) })],
    },
  ];
}

function several(design: Design): Observation[] {
  const [, ...others] = radiosOf(design);
  if (others.length === 0) return [];
  const { elements } = derive(design);
  return [
    {
      severity: "note",
      message: `There are ${others.length + 1} radios; the packet is handed to one function, which says whose bus it goes to.`,
      subjects: others.map((id) => controlSubject(elements.get(id)!.controlId)),
    },
  ];
}

/** A radio’s packet that can be misread, or is not sent at all. */
export const radioPacket: Rule = {
  id: "reports/radio-packet",
  stage: "reports",
  severity: "warn",
  why: "A radio hears other transmitters and noise. What its receiver takes for a press that nobody made moves something.",
  source: "common practice; RFC 1662 (marks, escapes); 32 bytes at once is common of small modules (from memory)",
  check(design) {
    const packet = packetOf(design);
    if (!packet) return [];
    return [
      ...wrongSize(design, packet),
      ...sameMarks(packet),
      ...unchecked(design, packet),
      ...unheard(design, packet),
      ...silent(packet),
      ...several(design),
    ];
  },
};
