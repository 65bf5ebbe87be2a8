import { derive } from "@/core/derived/derive";
import type { Design } from "@/core/document/schema";
import { addBoard } from "@/core/edits/boards";
import { ownControllerFor } from "@/core/edits/controllers";
import { adoptPinPlan } from "@/core/edits/pins";
import { planPins } from "@/core/pins/planPins";
import { demoDesigns } from "../../demo";

export const loom = demoDesigns.find(({ name }) => name.startsWith("Loom"))!;

/** The board that does not carry the controller. */
export const farBoard = (design: Design): string =>
  design.boards.find(({ id }) => id !== design.controllers[0].placement.boardId)!.id;

/** A device of two boards with a controller on each, like the one it had, and pins for both. */
export function onTwo(design: Design): Design {
  const split = ownControllerFor(design, farBoard(design), design.controllers[0].profileId);
  return adoptPinPlan(split, planPins(split));
}

/** Keys of each part that type something at once, by the elements that are pressed. */
export function keysOf(design: Design): [near: string[], far: string[]] {
  const far = farBoard(design);
  const { inputs, controls } = derive(design);
  const [base] = design.keymap.layers;
  const plain = inputs.filter(({ id }) => base.bindings[id]?.does === "keyboard" && !isTogether(design, id));
  const ids = (isFar: boolean) =>
    plain.filter(({ controlId }) => (controls.get(controlId)!.placement.boardId === far) === isFar);
  return [ids(false).map(({ elementId }) => elementId), ids(true).map(({ elementId }) => elementId)];
}

const isTogether = ({ keymap: { together = [] } }: Design, input: string) =>
  together.some(({ parts }) => parts.includes(input));

/** Every second control lies on a board of its own, with a controller like the first: whatever reaches over is split. */
export function inTwo(design: Design): Design {
  const apart = addBoard(design, "second", "Second", "half");
  const controls = apart.controls.map((control, nth) =>
    nth % 2 === 0 ? control : { ...control, placement: { ...control.placement, boardId: "second" } },
  ) as Design["controls"];
  const split = ownControllerFor({ ...apart, controls }, "second", apart.controllers[0].profileId);
  return adoptPinPlan(split, planPins(split));
}
