import { isTwoEnded } from "./symbols";
import type { Unit } from "./units";

/** A small part as it is passed through: from its first end to its second, or against that. */
export interface Link {
  unit: Unit;
  against: boolean;
}

/** Small parts one after another, from a net to a net; what lies between two of them has no name. */
export interface Branch {
  from: string | null;
  to: string | null;
  links: Link[];
}

export const nearNet = ({ unit, against }: Link) => unit.ends[against ? 1 : 0].net;
export const farNet = ({ unit, against }: Link) => unit.ends[against ? 0 : 1].net;

/** Finds the small part that hangs on a net without a name; each is given out once. */
export class SmallParts {
  private readonly byNet = new Map<string, Unit[]>();
  private readonly given = new Set<Unit>();

  constructor(
    units: Unit[],
    private readonly isNamed: (net: string) => boolean,
  ) {
    for (const unit of units.filter(isTwoEnded))
      for (const { net } of unit.ends) if (net !== null) this.byNet.set(net, [...(this.byNet.get(net) ?? []), unit]);
  }

  take(unit: Unit): boolean {
    if (this.given.has(unit)) return false;
    this.given.add(unit);
    return true;
  }

  /** From a net on, as long as the nets have no name of their own. */
  chain(net: string | null): Link[] {
    if (net === null || this.isNamed(net)) return [];
    const next = this.byNet.get(net)?.find((unit) => !this.given.has(unit));
    if (!next || !this.take(next)) return [];
    const link = { unit: next, against: next.ends[0].net !== net };
    return [link, ...this.chain(farNet(link))];
  }
}

/** What a unit of two ends and everything in its leads make together. */
export function branchOf(unit: Unit, parts: SmallParts): Branch {
  const onwards = parts.chain(unit.ends[1].net);
  const backwards = parts.chain(unit.ends[0].net);
  const links = [
    ...backwards.reverse().map(({ unit: one, against }) => ({ unit: one, against: !against })),
    { unit, against: false },
    ...onwards,
  ];
  return { from: nearNet(links[0]), to: farNet(links.at(-1)!), links };
}

/** The same from its other end. */
export const turned = ({ from, to, links }: Branch): Branch => ({
  from: to,
  to: from,
  links: [...links].reverse().map(({ unit, against }) => ({ unit, against: !against })),
});
