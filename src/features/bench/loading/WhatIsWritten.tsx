import { FRAME_BYTES } from "@/core/contract/live";
import { MUSIC_REPORT_BYTES } from "@/core/contract/music";
import { PANEL } from "@/core/contract/panel";
import { usbLayoutOf } from "@/core/firmware/endpoints";
import { reportShapeOf } from "@/core/firmware/reportShape";
import { type InterfaceKind, interfaceFaces } from "@/core/hid/interfaceKinds";
import { reportBytes } from "@/core/hid/reportBytes";
import { SERIAL_ENDPOINTS, SERIAL_PACKETS } from "@/core/hid/serialInterfaces";
import type { Design } from "@/core/document/schema";
import type { ImageSizes } from "@/core/image/flashImage";
import { Section, Values } from "@/ui/pieces/sheets";

const number = new Intl.NumberFormat("en");
const of = (bytes: number, most: number) => `${number.format(bytes)} of ${number.format(most)}`;

/** What comes over an endpoint, or is told by the computer. */
function bytesOf(kind: InterfaceKind, design: Design): string {
  if (kind === "live") return `${FRAME_BYTES} bytes`;
  if (kind === "panel") return `${PANEL.BYTES} bytes told`;
  if (kind === "music") return `up to ${MUSIC_REPORT_BYTES} bytes`;
  return `${reportBytes(kind, reportShapeOf(design))} bytes`;
}

const notesRow = (endpoint: number): [string, string] => [
  `Notes to the device, endpoint ${endpoint}`,
  `up to ${MUSIC_REPORT_BYTES} bytes told`,
];
const serialRow = (first: number): [string, string] => [
  `Serial port for lines, endpoints ${first} to ${first + SERIAL_ENDPOINTS - 1}`,
  `packets of ${SERIAL_PACKETS.data} bytes told`,
];

/** What of the chip's memory the device takes, and what the computer will find. */
export function WhatIsWritten({ design, sizes }: { design: Design; sizes: ImageSizes }) {
  const { plan, musicIn, serial } = usbLayoutOf(design);
  const { code, codeMost, board, boardMost, tables, tablesMost, arena, arenaMost } = sizes;
  return (
    <>
      <Section title="What is written, in bytes">
        <Values
          rows={[
            ["The runtime, with what the device wants", of(code, codeMost)],
            ["This device: pins, parts, USB", of(board, boardMost)],
            ["Numbering and keymap", of(tables, tablesMost)],
            ["Memory while it runs", of(arena, arenaMost)],
          ]}
        />
      </Section>
      <Section title="What the computer finds">
        <Values
          rows={[
            ...plan.flatMap((group, nth) =>
              group.map((kind): [string, string] => [
                `${interfaceFaces[kind].title}, endpoint ${nth + 1}`,
                bytesOf(kind, design),
              ]),
            ),
            ...(musicIn ? [notesRow(musicIn)] : []),
            ...(serial ? [serialRow(serial.endpoint)] : []),
          ]}
        />
      </Section>
    </>
  );
}
