import { derive } from "../derived/derive";
import { linkEndId } from "../derived/linkEnds";
import { isModule } from "../document/partLinks";
import type { Design } from "../document/schema";

/** A bus of modules at one of the controllers it joins, by its nets. */
export interface ModuleBus {
  clock: string;
  data: string;
  /** Lines on which modules call, each with those that do, a bit each by their numbers; of a module its own. */
  calls: { netId: string; mask: number }[];
}

/**
 * @param part which of the design's controllers, from 0: the base
 * @returns null where no module is joined to it
 */
export function moduleBusOf(design: Design, part: number): ModuleBus | null {
  const { linkEnds, chipById } = derive(design);
  const ends = linkEnds.filter(
    ({ link, controller }) => isModule(link) && controller.id === design.controllers[part]?.id,
  );
  if (ends.length === 0) return null;
  const masks = new Map<string, number>();
  let bus = { clock: "", data: "" };
  for (const { link, end } of ends) {
    const { terminals } = chipById.get(`${linkEndId(link, end)}.J1`)!;
    const netOf = (name: string) => terminals.find((terminal) => terminal.name === name)!.netId!;
    const module = design.controllers.findIndex(({ id }, nth) => nth > 0 && (id === link.nearId || id === link.farId));
    bus = { clock: netOf("clock"), data: netOf("data") };
    masks.set(netOf("call"), (masks.get(netOf("call")) ?? 0) | (1 << module));
  }
  return { ...bus, calls: [...masks].map(([netId, mask]) => ({ netId, mask })) };
}
