import { interfaceFaces } from "@/core/hid/interfaceKinds";
import { BOARD_BYTES_MOST, FLASH_MAP, TABLE_BYTES_MOST } from "@/core/contract/board";
import { REPORTS } from "@/core/contract/contract";
import { FRAME_BYTES } from "@/core/contract/live";
import type { Design } from "@/core/document/schema";
import type { ImageSizes } from "@/core/image/flashImage";
import { Section, Values } from "@/ui/pieces/sheets";

const number = new Intl.NumberFormat("en");
const of = (bytes: number, most: number) => `${number.format(bytes)} of ${number.format(most)}`;

/** What of the chip's memory the device takes, and what the computer will find. */
export function WhatIsWritten({ design, sizes }: { design: Design; sizes: ImageSizes }) {
  const { code, board, tables, arena, arenaMost } = sizes;
  return (
    <>
      <Section title="What is written, in bytes">
        <Values
          rows={[
            ["The runtime, the same for all", of(code, FLASH_MAP.BOARD)],
            ["This device: pins, parts, USB", of(board, BOARD_BYTES_MOST)],
            ["Numbering and keymap", of(tables, TABLE_BYTES_MOST)],
            ["Memory while it runs", of(arena, arenaMost)],
          ]}
        />
      </Section>
      <Section title="What the computer finds">
        <Values
          rows={design.reportSet.interfaces.map((kind, nth) => [
            `${interfaceFaces[kind].title}, endpoint ${nth + 1}`,
            REPORTS[kind].bytes > 0 ? `${REPORTS[kind].bytes} bytes` : `${FRAME_BYTES} bytes`,
          ])}
        />
      </Section>
    </>
  );
}
