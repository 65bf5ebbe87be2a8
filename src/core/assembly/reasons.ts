import { depthMm } from "../geometry/depth";
import { type Box, boxOf } from "../geometry/outline";
import type { Point } from "../geometry/point";
import { isInside } from "../geometry/ring";
import { listed } from "../words";
import type { Cover, Reach, Reason, Step } from "./step";

/** Joints lie a little inside what covers them only if an iron's tip, some half a millimetre, could not come there. */
const TIP_MM = 0.5;

/** Whether a region closes a place. */
export function closes({ shape }: Cover, at: Point): boolean {
  if ("ring" in shape) return isInside(at, shape.ring);
  return depthMm(shape.outline, at) > TIP_MM;
}

/** What is told of many places. */
function some(names: string[]): string {
  const all = [...new Set(names)];
  return all.length > 3 ? `${all.slice(0, 3).join(", ")} and ${all.length - 3} more` : listed(all);
}

interface Closed {
  cover: Cover;
  box: Box;
}

/** What a step closes, by board and face. */
function closedBy({ covers }: Step): Map<string, Closed[]> {
  const byFace = new Map<string, Closed[]>();
  for (const cover of covers) {
    const key = `${cover.boardId} ${cover.face}`;
    const outline = "ring" in cover.shape ? { core: cover.shape.ring, radiusMm: 0 } : cover.shape.outline;
    const list = byFace.get(key) ?? [];
    list.push({ cover, box: boxOf(outline) });
    byFace.set(key, list);
  }
  return byFace;
}

const isIn = ({ xMm, yMm }: Point, { minXMm, minYMm, maxXMm, maxYMm }: Box) =>
  xMm >= minXMm && xMm <= maxXMm && yMm >= minYMm && yMm <= maxYMm;

/** What a step closes must be reached before by all that needs it. */
function covering(steps: Step[]): Reason[] {
  return steps.flatMap((closing) => {
    if (closing.covers.length === 0) return [];
    const closed = closedBy(closing);
    const own = new Set(closing.fits);
    const isHidden = ({ boardId, face, at, owner }: Reach) =>
      !own.has(owner) &&
      (closed.get(`${boardId} ${face}`) ?? []).some(({ cover, box }) => isIn(at, box) && closes(cover, at));
    return steps.flatMap((reaching): Reason[] => {
      const hidden = reaching === closing ? [] : reaching.reaches.filter(isHidden);
      if (hidden.length === 0) return [];
      const words = `covers ${some(hidden.map(({ of }) => of))}`;
      return [{ before: reaching.id, after: closing.id, sort: "covered", words }];
    });
  });
}

/** What a step wants stands once the steps are done that give it. */
function wanting(steps: Step[]): Reason[] {
  const givers = new Map<string, Step[]>();
  for (const one of steps) for (const token of one.gives) givers.set(token, [...(givers.get(token) ?? []), one]);
  return steps.flatMap((one) =>
    one.wants.flatMap(({ token, sort, words }) =>
      (givers.get(token) ?? [])
        .filter((giver) => giver !== one)
        .map((giver): Reason => ({ before: giver.id, after: one.id, sort, words })),
    ),
  );
}

/** The piece lies on its parts while they are soldered: the flat ones first, or they fall out. */
function lowerFirst(steps: Step[]): Reason[] {
  return steps.flatMap((low) =>
    steps.flatMap((high): Reason[] => {
      if (low.heightMm === null || high.heightMm === null || low.boardId !== high.boardId) return [];
      if (low.heightMm >= high.heightMm) return [];
      return [
        {
          before: low.id,
          after: high.id,
          sort: "lower first",
          words: `stands higher: ${high.heightMm} mm against ${low.heightMm} mm`,
        },
      ];
    }),
  );
}

/** What is there before anything can be heated. */
const BARE = new Set<string>(["make-plate", "look-over"]);

/** A hot plate heats all that is on a board already. */
function heatFirst(steps: Step[]): Reason[] {
  const heated = steps.filter(({ tool }) => tool === "hotplate");
  return heated.flatMap((hot) =>
    steps
      .filter(
        (one) =>
          one !== hot &&
          one.boardId === hot.boardId &&
          !BARE.has(one.sort) &&
          (one.fits.length > 0 || one.sort === "stabilise"),
      )
      .map((one): Reason => ({ before: hot.id, after: one.id, sort: "heat", words: "would be heated with the board" })),
  );
}

const laws = [wanting, covering, lowerFirst, heatFirst];

/** Every reason why one step comes before another; of several alike between two steps the first is told. */
export function reasonsBetween(steps: Step[]): Reason[] {
  const known = new Map<string, Reason>();
  for (const reason of laws.flatMap((law) => law(steps))) {
    const key = `${reason.before}\n${reason.after}\n${reason.sort}`;
    if (!known.has(key)) known.set(key, reason);
  }
  return [...known.values()];
}
