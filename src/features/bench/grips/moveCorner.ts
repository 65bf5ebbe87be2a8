import { changeBoard } from "@/core/edits/boards";
import type { Design } from "@/core/document/schema";
import type { Point } from "@/core/geometry/point";
import { edit } from "@/store/bench";
import { type Grip, snapMm } from "./grip";

const STEP_MM = 0.5;

/** A corner of a drawn outline follows the hand, at half millimetres. */
export function moveCorner(design: Design, boardId: string, nth: number): Grip {
  const moved = (d: Design, at: Point, fine: boolean): Design => {
    const corner = { xMm: snapMm(at.xMm, STEP_MM, fine), yMm: snapMm(at.yMm, STEP_MM, fine) };
    const outline = d.boards
      .find(({ id }) => id === boardId)
      ?.outline?.map((old, index) => (index === nth ? corner : old));
    return outline ? changeBoard(d, boardId, { outline }) : d;
  };
  return {
    follow: ({ at, event }) => ({ preview: moved(design, at, event.altKey) }),
    end: ({ at, event }) => edit("move a corner", (d) => moved(d, at, event.altKey)),
  };
}
