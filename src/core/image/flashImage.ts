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
import { partsWithoutLine } from "../firmware/partsWithoutLine";
import type { ScanTable } from "../firmware/scanTable";
import { halfName } from "../derived/halfName";
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

/** Controllers that no finished image is made for. */
function otherClasses(design: Design): Problem[] {
  const { controllers } = derive(design);
  const path = "controllers";
  const words = "a finished image is made for the two 8-bit USB classes";
  if (controllers.length === 0) return [{ path, message: `has no controller; ${words}` }];
  return controllers.flatMap(({ profile, controller }) => {
    if (profile && hasUsb8Chip(profile.id)) return [];
    const what = profile ? `the ${profile.title}` : "no class of controller";
    const where = controllers.length > 1 ? ` in ${halfName(design, controller.id)}` : "";
    return [{ path, message: `has ${what}${where}; ${words}` }];
  });
}

function tooManyEndpoints(design: Design): Problem[] {
  const { endpoints } = usbLayoutOf(design);
  if (endpoints <= endpointsMost(design)) return [];
  const message = `declares what takes ${endpoints} endpoints; there may be ${endpointsMost(design)}`;
  return [{ path: "reportSet.interfaces", message }];
}

/** The timer that makes tones is there once in each controller. */
function tooManyTones(design: Design, scan: ScanTable): Problem[] {
  const { netById } = derive(design);
  const owners = Object.keys(scan.tones).map((net) => netById.get(net)?.controllerId);
  const tones = Math.max(0, ...owners.map((one) => owners.filter((other) => other === one).length));
  if (tones <= 1) return [];
  const message = `has ${tones} sounders that want a tone; the chip's timer makes one: let the others have tones of their own`;
  return [{ path: "controls", message }];
}

/** What stands against an image of a design before its bytes are counted. */
function problemsOf(design: Design, scan: ScanTable): Problem[] {
  const over = overLimits(scan, design);
  if (over.length > 0) return over.map((what) => ({ path: "", message: `has ${what}` }));
  if (design.reportSet.interfaces.length === 0 && !takesLines(design))
    return [{ path: "reportSet.interfaces", message: "declares no report; a device needs one to be of use" }];
  const apart = partsWithoutLine(design);
  if (apart.length > 0) return apart;
  const tooMuch = tooMuchAtOnce(design, scan);
  if (tooMuch) return [{ path: "", message: tooMuch }];
  return [...tooManyEndpoints(design), ...tooManyTones(design, scan)];
}

/**
 * A finished flash image of a design, or of one of its parts: the chip's prebuilt code, the board block and the tables.
 * @param part which of the design's controllers, from 0
 * @returns the parts of the file by their places, or what is missing, not driven by the image or too large for the chip
 */
export function flashImage(design: Design, code: PrebuiltCode, part = 0): Result<FlashImage> {
  const others = otherClasses(design);
  if (others.length > 0) return bad(...others);
  const scan = scanTableOf(design);
  const against = problemsOf(design, scan);
  if (against.length > 0) return bad(...against);
  const tables = tableBytes(scan, design);
  const { profile } = derive(design).controllers[part];
  const board = boardBlock(design, scan, tables, usb8Pins(profile!), part);
  if (!board.ok) return board;
  return imageOf(design, scan, code, board.value, tables);
}

function imageOf(
  design: Design,
  scan: ScanTable,
  { image, bytes, arenaBytes }: PrebuiltCode,
  board: Uint8Array,
  tables: Uint8Array,
): Result<FlashImage> {
  const sizes = {
    code: bytes.length,
    codeMost: image.boardAt,
    board: board.length,
    boardMost: boardBytesMost(image),
    tables: tables.length,
    tablesMost: tableBytesMost(image),
    arena: arenaNeed(scan, design) + LEVEL_AT.REMOTE + board[BOARD_AT.REMOTE_BYTES],
    arenaMost: arenaBytes,
  };
  const problems = tooLarge(sizes, roomWithout(design, scan));
  if (problems.length > 0) return bad(...problems);
  const parts = [
    { at: 0, bytes },
    { at: image.boardAt, bytes: board },
    { at: image.tablesAt, bytes: tables },
  ];
  return good({ parts, sizes });
}
