import { derive } from "../derived/derive";
import { boardWayOf } from "../document/buildSettings";
import type { Board, Design } from "../document/schema";
import type { Ring } from "../geometry/ring";
import { boardRing } from "../layout/boardOutline";

/** Copper joins the parts of this board. */
export const isMadeBoard = (design: Design, boardId: string): boolean =>
  boardWayOf(design, boardId).way === "made-board";

/** Its small parts lie on pads, in paste. */
export const isSurfaceBoard = (design: Design, boardId: string): boolean =>
  isMadeBoard(design, boardId) && boardWayOf(design, boardId).smallParts === "surface";

/** The edge of a board, worked out once; null for loose parts and boards without any. */
export const edgeOf = (design: Design, { id, kind }: Board): Ring | null =>
  kind === "loose" ? null : derive(design).once(`edge of ${id}`, () => boardRing(design, id));

/** A made board has a plate of its own above it, unless the plate is itself the board; with parts right on the module there is none. */
export const hasPlate = (design: Design, board: Board): boolean =>
  edgeOf(design, board) !== null &&
  boardWayOf(design, board.id).way !== "direct" &&
  !(isMadeBoard(design, board.id) && board.plate.material === "board");
