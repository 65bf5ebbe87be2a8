import { roundedRectangle } from "../../geometry/outline";
import { between, z } from "../../schema";
import { type ControlKind, contactRow, controlFields, switchOf } from "./controlKind";

const ladderPadSchema = z.strictObject({
  ...controlFields,
  kind: z.literal("ladder-pad"),
  widthMm: between(3, 80),
  heightMm: between(3, 80),
});
export type LadderPad = z.infer<typeof ladderPadSchema>;

/** A bare pad that a stylus or a finger strip touches, one joint of a resistor ladder. */
export const ladderPad: ControlKind<LadderPad> = {
  kind: "ladder-pad",
  title: "Ladder pad",
  article: "a ladder pad",
  prefix: "LP",
  schema: ladderPadSchema,
  partId: "pad-plate",
  fresh: (id, label, placement) => ({
    id,
    kind: "ladder-pad",
    label,
    placement,
    partId: "pad-plate",
    widthMm: 11.5,
    heightMm: 30,
  }),
  cap: (control) => [roundedRectangle(control.widthMm, control.heightMm, 0.8)],
  body: (control) => roundedRectangle(control.widthMm, control.heightMm, 0.8),
  openings: () => [],
  elements: (control) => [touch(control).element],
  inputs: (control) => [touch(control).input],
  describe: (control) => `${control.widthMm} × ${control.heightMm} mm`,
};

const touch = (control: LadderPad) =>
  switchOf(control, "press", control.label, contactRow(control.id, ["pad", "stylus"], 0));
