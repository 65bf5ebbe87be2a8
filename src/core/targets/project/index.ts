import { hasUsb8Chip } from "../../chips/usb8Classes";
import { BOARD_AT, BOARD_BYTES_MOST, LEVEL_AT } from "../../contract/board";
import { derive } from "../../derived/derive";
import type { Design } from "../../document/schema";
import { type Result, bad, good } from "../../document/problem";
import { arenaNeed } from "../../firmware/capacity";
import { featuresOf, withoutFlags } from "../../firmware/features";
import { partsWithoutLine } from "../../firmware/partsWithoutLine";
import type { ScanTable } from "../../firmware/scanTable";
import { tableBytes } from "../../firmware/tables";
import { boardBlock } from "../../image/boardBlock";
import type { BlockPins } from "../../image/boardLines";
import { usb8Pins } from "../../image/usb8Pins";
import { bytesSource, inComment, pinsHeader, tableArray } from "../archiveFiles";
import type { FirmwareTarget } from "../firmwareTarget";
import { portMakefile, processorScript, usb8Makefile } from "./makefiles";
import { portHeader } from "./portHeader";
import { PortPins } from "./portPins";
import { projectReadme } from "./readme";

interface Block {
  source: string;
  /** RAM that the runtime and the lines carve out, of the part that needs the most. */
  arenaBytes: number;
}

/** The board block of each part. */
function blocksOf(design: Design, scan: ScanTable, pinsOf: (part: number) => BlockPins): Result<Uint8Array[]> {
  const apart = partsWithoutLine(design);
  if (apart.length > 0) return bad(...apart);
  const tables = tableBytes(scan, design);
  const blocks = design.controllers.map((_, part) => boardBlock(design, scan, tables, pinsOf(part), part));
  const problems = blocks.flatMap((block) => (block.ok ? [] : block.problems));
  if (problems.length > 0) return bad(...problems);
  return good(blocks.flatMap((block) => (block.ok ? [block.value] : [])));
}

const arrayOf = (block: Uint8Array) => `const uint8_t ov_board[] OV_IN_FLASH = {
${bytesSource(block)}
};`;

/** The parts' arrays, of which OV_PART chooses one. */
const chosen = (blocks: Uint8Array[]): string =>
  [
    ...blocks.map((block, part) => `${part === 0 ? "#if" : "#elif"} OV_PART == ${part}\n${arrayOf(block)}`),
    "#endif",
  ].join("\n");

function blockOf(design: Design, scan: ScanTable, pinsOf: (part: number) => BlockPins): Result<Block> {
  const made = blocksOf(design, scan, pinsOf);
  if (!made.ok) return made;
  const blocks = made.value;
  const length = Math.max(...blocks.map((block) => block.length));
  if (length > BOARD_BYTES_MOST)
    return bad({
      path: "",
      message: `needs ${length} bytes for the board block; the firmware reads ${BOARD_BYTES_MOST}`,
    });
  const source = `/* The board of "${inComment(design.name)}", as lines/ and chip or port read it. Generated; change the design, not this. */
#include "board.h"
#include "tables.h"

${blocks.length > 1 ? chosen(blocks) : arrayOf(blocks[0])}
`;
  const remote = Math.max(...blocks.map((block) => block[BOARD_AT.REMOTE_BYTES]));
  const bytes = arenaNeed(scan, design) + LEVEL_AT.REMOTE + remote;
  return good({ source, arenaBytes: 2 * Math.ceil(bytes / 2) });
}

const common = (design: Design, scan: ScanTable, block: Block, isUsb8: boolean) => ({
  "README.md": projectReadme(design, isUsb8),
  "tables.c": tableArray(scan, design),
  "board_block.c": block.source,
  "pins.h": pinsHeader(scan, design),
});

/** The runtime alone, without the stand-in and the empty HAL that other archives bring. */
const runtimeOf = (sources: Record<string, string>) =>
  Object.fromEntries(Object.entries(sources).filter(([name]) => name.startsWith("src/")));

const NO_CONTROLLER = { path: "controllers", message: "has no controller; choose one in Pins" };

/** Whether the sources for the chip itself serve it: all parts are of its classes. */
const areUsb8 = (design: Design): boolean =>
  derive(design).controllers.every(({ profile }) => profile && hasUsb8Chip(profile.id));

const chipPins =
  (design: Design) =>
  (part: number): BlockPins =>
    usb8Pins(derive(design).controllers[part].profile!);

/** Sources that drive pins and added parts by themselves: whole for the 8-bit USB classes, over a dozen calls for others. */
export const project: FirmwareTarget = {
  id: "firmware-project",
  title: "Firmware, a project to compile",
  purpose: "Whole for the 8-bit USB boards; for any other controller a dozen calls and USB are left to join.",
  takes: [
    "Every circuit of contacts, knobs, sticks and pots, lamps, motors, sounders, lights and displays; music, also over sockets; live changes.",
    "Lines of text that tell what is shown: each byte of your serial port goes to one call; so does each note that does.",
    "A radio's packets, but for the call that hands them to yours.",
    "Whole for the 8-bit USB classes but for that; elsewhere pins and USB are left to join.",
  ],
  problems(design, scan) {
    const { profile } = derive(design);
    if (!profile) return [NO_CONTROLLER];
    const ports = new PortPins();
    const block = blockOf(design, scan, areUsb8(design) ? chipPins(design) : () => ports);
    return block.ok ? [] : block.problems;
  },
  async files(design, scan) {
    const { profile } = derive(design);
    if (!profile) return bad(NO_CONTROLLER);
    const { RUNTIME_SOURCES } = await import("../runtimeSources.generated");
    const { LINES, USB8, PORT } = await import("./projectSources.generated");
    const isUsb8 = areUsb8(design);
    const ports = new PortPins();
    const block = blockOf(design, scan, isUsb8 ? chipPins(design) : () => ports);
    if (!block.ok) return block;
    const without = withoutFlags(featuresOf(design, scan));
    const files = { ...common(design, scan, block.value, isUsb8), ...runtimeOf(RUNTIME_SOURCES), ...LINES };
    if (isUsb8)
      return good({
        ...files,
        ...USB8,
        Makefile: usb8Makefile(block.value.arenaBytes, without, design.controllers.length > 1),
        "processor.sh": processorScript,
      });
    const { "port/port.h": template, ...port } = PORT;
    return good({
      ...files,
      ...port,
      "port.h": portHeader(template, design, ports.pads),
      Makefile: portMakefile(block.value.arenaBytes, without, design.controllers.length > 1),
    });
  },
};
