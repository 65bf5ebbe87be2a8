import { BOARD_AT, LEVEL_AT } from "../contract/board";
import { hasUsb8Chip } from "../chips/usb8Classes";
import { derive } from "../derived/derive";
import type { Design } from "../document/schema";
import { type Problem, type Result, bad, good } from "../document/problem";
import { arenaNeed, overLimits } from "../firmware/capacity";
import { endpointsMost, usbLayoutOf } from "../firmware/endpoints";
import { scanTableOf } from "../firmware/scanTable";
import { tableBytes } from "../firmware/tables";
import { boardBlock } from "./boardBlock";
import { takesLines } from "../hid/panelSettings";
import type { HexPart } from "./intelHex";
import { type Usb8Image, boardBytesMost, roomWithout, tableBytesMost, tooMuchAtOnce } from "./usb8Images";
import { usb8Pins } from "./usb8Pins";

/** What of a chip's memory a finished image takes, in bytes, and how much there is for it. */
export interface ImageSizes {
  code: number;
  codeMost: number;
  board: number;
  boardMost: number;
  tables: number;
  tablesMost: number;
  /** RAM that the runtime and the pins carve out of the image's arena, and the arena. */
  arena: number;
  arenaMost: number;
}

export interface FlashImage {
  parts: HexPart[];
  sizes: ImageSizes;
}

/** The code that designs of a chip share which want the same of it. */
export interface PrebuiltCode {
  image: Usb8Image;
  bytes: Uint8Array;
  arenaBytes: number;
}

function tooLarge(sizes: ImageSizes, ways: string[]): Problem[] {
  const { board, boardMost, tables, tablesMost, arena, arenaMost } = sizes;
  const rows: [string, number, number, string[]][] = [
    ["board block", board, boardMost, []],
    ["tables", tables, tablesMost, ways],
    ["runtime's memory", arena, arenaMost, []],
  ];
  return rows.flatMap(([what, bytes, most, instead]) => {
    const message = [`needs ${bytes} bytes for the ${what}; the chip has ${most}`, ...instead].join(", ");
    return bytes > most ? [{ path: "", message }] : [];
  });
}

/**
 * A finished flash image of a design: the chip's prebuilt code, the board block and the tables.
 * @returns the parts by their places, or what is missing, not driven by the image or too large for the chip
 */
export function flashImage(design: Design, code: PrebuiltCode): Result<FlashImage> {
  const { profile } = derive(design);
  if (!profile || !hasUsb8Chip(profile.id))
    return bad({
      path: "controllers",
      message: `has ${profile ? `the ${profile.title}` : "no controller"}; a finished image is made for the two 8-bit USB classes`,
    });
  if (design.controllers.length > 1)
    return bad({
      path: "controllers",
      message: "has several controllers; a finished image serves one, the C99 sources serve both parts",
    });
  const scan = scanTableOf(design);
  const over = overLimits(scan, design);
  if (over.length > 0) return bad(...over.map((what) => ({ path: "", message: `has ${what}` })));
  if (design.reportSet.interfaces.length === 0 && !takesLines(design))
    return bad({ path: "reportSet.interfaces", message: "declares no report; a device needs one to be of use" });
  const tooMuch = tooMuchAtOnce(design, scan);
  if (tooMuch) return bad({ path: "", message: tooMuch });
  const { endpoints } = usbLayoutOf(design);
  if (endpoints > endpointsMost(design))
    return bad({
      path: "reportSet.interfaces",
      message: `declares what takes ${endpoints} endpoints; there may be ${endpointsMost(design)}`,
    });
  const tones = Object.keys(scan.tones).length;
  if (tones > 1)
    return bad({
      path: "controls",
      message: `has ${tones} sounders that want a tone; the chip's timer makes one: let the others have tones of their own`,
    });
  const tables = tableBytes(scan, design);
  const board = boardBlock(design, scan, tables, usb8Pins(profile));
  if (!board.ok) return board;
  const { image } = code;
  const sizes = {
    code: code.bytes.length,
    codeMost: image.boardAt,
    board: board.value.length,
    boardMost: boardBytesMost(image),
    tables: tables.length,
    tablesMost: tableBytesMost(image),
    arena: arenaNeed(scan, design) + LEVEL_AT.REMOTE + board.value[BOARD_AT.REMOTE_BYTES],
    arenaMost: code.arenaBytes,
  };
  const problems = tooLarge(sizes, roomWithout(design, scan));
  if (problems.length > 0) return bad(...problems);
  const parts = [
    { at: 0, bytes: code.bytes },
    { at: image.boardAt, bytes: board.value },
    { at: image.tablesAt, bytes: tables },
  ];
  return good({ parts, sizes });
}
