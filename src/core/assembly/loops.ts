import { type Reason, reasonSorts } from "./step";

/** Steps that each must come before the next, and the last before the first. */
export interface Loop {
  reasons: Reason[];
  /** The one that is given up, so that there is an order at all. */
  given: Reason;
}

/** The shortest way along reasons from one step to another, breadth first; null where there is none. */
function wayFrom(from: string, to: string, next: Map<string, Reason[]>): Reason[] | null {
  const came = new Map<string, Reason>();
  const queue = [from];
  for (let at = 0; at < queue.length; at++) {
    for (const reason of next.get(queue[at]) ?? []) {
      if (came.has(reason.after)) continue;
      came.set(reason.after, reason);
      if (reason.after === to) return wayBack(to, from, came);
      queue.push(reason.after);
    }
  }
  return null;
}

function wayBack(to: string, from: string, came: Map<string, Reason>): Reason[] {
  const way: Reason[] = [];
  let at = to;
  do {
    const reason = came.get(at)!;
    way.unshift(reason);
    at = reason.before;
  } while (at !== from);
  return way;
}

function byStart(reasons: Iterable<Reason>): Map<string, Reason[]> {
  const next = new Map<string, Reason[]>();
  for (const reason of reasons) {
    const list = next.get(reason.before);
    if (list) list.push(reason);
    else next.set(reason.before, [reason]);
  }
  return next;
}

/** Steps that can be done one after the other until none is left, or only such as wait for each other. */
function stuck(ids: string[], reasons: Set<Reason>): Set<string> {
  const waiting = new Map(ids.map((id) => [id, 0]));
  for (const { after } of reasons) waiting.set(after, waiting.get(after)! + 1);
  const next = byStart(reasons);
  const ready = ids.filter((id) => waiting.get(id) === 0);
  const left = new Set(ids);
  for (let id = ready.pop(); id !== undefined; id = ready.pop()) {
    left.delete(id);
    for (const { after } of next.get(id) ?? []) {
      waiting.set(after, waiting.get(after)! - 1);
      if (waiting.get(after) === 0) ready.push(after);
    }
  }
  return left;
}

/** One circle among steps that wait for each other: the shortest through any of them. */
function circleAmong(left: Set<string>, reasons: Set<Reason>): Reason[] {
  const inside = [...reasons].filter(({ before, after }) => left.has(before) && left.has(after));
  const next = byStart(inside);
  let shortest: Reason[] | null = null;
  for (const id of left) {
    const circle = wayFrom(id, id, next);
    if (circle && (!shortest || circle.length < shortest.length)) shortest = circle;
  }
  return shortest!;
}

const weight = ({ sort }: Reason) => reasonSorts.indexOf(sort);

/** Reasons without circles: of each circle the reason is given up that can be given up most easily, and the circle is told. */
export function withoutLoops(ids: string[], all: Reason[]): { reasons: Reason[]; loops: Loop[] } {
  const reasons = new Set(all);
  const loops: Loop[] = [];
  for (let left = stuck(ids, reasons); left.size > 0; left = stuck(ids, reasons)) {
    const circle = circleAmong(left, reasons);
    const given = circle.reduce((a, b) => (weight(b) < weight(a) ? b : a));
    for (const reason of [...reasons])
      if (reason.before === given.before && reason.after === given.after && weight(reason) <= weight(given))
        reasons.delete(reason);
    loops.push({ reasons: circle, given });
  }
  return { reasons: [...reasons], loops };
}
