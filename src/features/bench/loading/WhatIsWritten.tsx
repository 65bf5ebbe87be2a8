import { interfaceFaces } from "@/core/hid/interfaceKinds";
import { REPORTS } from "@/core/contract/contract";
import { FRAME_BYTES } from "@/core/contract/live";
import type { Design } from "@/core/document/schema";
import type { ImageSizes } from "@/core/image/flashImage";
import { Section, Values } from "@/ui/pieces/sheets";

const number = new Intl.NumberFormat("en");
const of = (bytes: number, most: number) => `${number.format(bytes)} of ${number.format(most)}`;

/** What of the chip's memory the device takes, and what the computer will find. */
export function WhatIsWritten({ design, sizes }: { design: Design; sizes: ImageSizes }) {
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
          rows={design.reportSet.interfaces.map((kind, nth) => [
            `${interfaceFaces[kind].title}, endpoint ${nth + 1}`,
            REPORTS[kind].bytes > 0 ? `${REPORTS[kind].bytes} bytes` : `${FRAME_BYTES} bytes`,
          ])}
        />
      </Section>
    </>
  );
}
