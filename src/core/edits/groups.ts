import { type Control, kindNamed } from "../catalogue/kinds";
import type { Placement } from "../catalogue/kinds/controlKind";
import { type ShapeParams, startShapeOf } from "../shapes";
import type { Slot } from "../shapes/startShape";
import { needsStabiliser } from "../catalogue/kinds/stabiliser";
import { place } from "../geometry/point";
import type { Design, Group } from "../document/schema";
import { nextLabel, removeControls } from "./controls";
import { tidyMm } from "../geometry/tidyMm";

const tidyDeg = (deg: number) => Math.round(deg * 1000) / 1000;

/** A slot of a shape that begins at `at`, on the mat. */
function slotPlacement(slot: Slot, at: Placement): Placement {
  const on = place(slot, at);
  return {
    xMm: tidyMm(on.xMm),
    yMm: tidyMm(on.yMm),
    rotationDeg: tidyDeg(slot.rotationDeg + at.rotationDeg),
    boardId: at.boardId,
  };
}

/** A control at its slot; a key takes the slot's cap. */
function atSlot(control: Control, slot: Slot, at: Placement): Control {
  const placed = { ...control, placement: slotPlacement(slot, at) };
  if (placed.kind !== "key") return placed;
  const { widthU = 1, heightU = 1, second = null, stepU = null } = slot;
  return { ...placed, widthU, heightU, second, stepU, stabiliser: needsStabiliser({ widthU, heightU }) };
}

/** Brings a group's controls to where its shape wants them: placed again, added or removed. */
function laidOut(design: Design, group: Group, newId: () => string): Design {
  const slots = startShapeOf(group.shape).slots(group.shape, design.pitch);
  const surplus = group.members.slice(slots.length).filter((id) => id !== "");
  let next = surplus.length > 0 ? removeControls(design, surplus) : design;
  const there = new Map(next.controls.map((control) => [control.id, control]));
  const kind = group.kind as Control["kind"];
  const maker = kindNamed(kind);
  const members: string[] = [];
  const moved = new Map<string, Control>();
  slots.forEach((slot, nth) => {
    const known = group.members[nth];
    // A control that the person removed on purpose stays away.
    if (known === "") return members.push("");
    const old = known ? there.get(known) : undefined;
    if (old) moved.set(old.id, atSlot(old, slot, group.at));
    else {
      const fresh = maker.fresh(newId(), nextLabel(next, maker.prefix), group.at);
      next = { ...next, controls: [...next.controls, atSlot(fresh, slot, group.at)] };
      return members.push(fresh.id);
    }
    return members.push(old.id);
  });
  const controls = next.controls.map((control) => moved.get(control.id) ?? control);
  const groups = next.groups.map((g) => (g.id === group.id ? { ...group, members } : g));
  return { ...next, controls, groups };
}

/** Places a start shape as a group of controls of one kind; its first slots are its first controls. */
export function addGroup(
  design: Design,
  draft: Omit<Group, "id" | "members">,
  newId: () => string,
): { design: Design; groupId: string } {
  const group: Group = { ...draft, id: newId(), members: [] };
  return { design: laidOut({ ...design, groups: [...design.groups, group] }, group, newId), groupId: group.id };
}

/** Places a group again after a change of its numbers or its place. What was bound and wired stays where it can. */
export function changeGroup(
  design: Design,
  id: string,
  change: { shape?: ShapeParams; at?: Partial<Placement>; name?: string },
  newId: () => string,
): Design {
  const group = design.groups.find((g) => g.id === id);
  if (!group) return design;
  const { shape = group.shape, at = {}, name = group.name } = change;
  return laidOut(design, { ...group, shape, name, at: { ...group.at, ...at } }, newId);
}

/** Lets a group's controls go their own ways. */
export const dissolveGroup = (design: Design, id: string): Design => ({
  ...design,
  groups: design.groups.filter((group) => group.id !== id),
});

export const groupOf = (design: Design, controlId: string): Group | undefined =>
  design.groups.find((group) => group.members.includes(controlId));
