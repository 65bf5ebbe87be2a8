import { between, z } from "../../schema";
import { type ControlKind, asPart, beyondOf, contactRow, controlFields, elementOf } from "./controlKind";

const potSchema = z.strictObject({
  ...controlFields,
  kind: z.literal("pot"),
  motion: z.enum(["turn", "slide"]),
  /** Travel of the wiper: degrees of a turn, or millimetres of a slide. */
  travel: between(1, 3600),
  /** Its track from end to end; 10 kΩ where nothing is said. */
  trackOhm: z.optional(between(100, 1e6)),
  /** A lever or gear before it: how far the hand moves in degrees, and the wiper's degrees for each of the hand's. */
  lever: z.optional(z.strictObject({ degrees: between(1, 360), ratio: between(0.05, 50) })),
});
export type Pot = z.infer<typeof potSchema>;

const wiperOf = (control: Pot) =>
  elementOf(control, "wiper", "analog", control.label, contactRow(control.id, ["1", "2", "3"], 7, 2.5));

/** A potentiometer that is turned or slid. A single turn is about 270° (common practice). */
export const pot: ControlKind<Pot> = {
  kind: "pot",
  title: "Pot",
  article: "a pot",
  prefix: "P",
  schema: potSchema,
  partId: "pot-9",
  fresh: (id, label, placement) => ({
    id,
    kind: "pot",
    label,
    placement,
    partId: "pot-9",
    motion: "turn",
    travel: 270,
  }),
  ...asPart,
  elements: (control) => [wiperOf(control)],
  inputs: (control) => beyondOf(wiperOf(control), ["high"]),
  describe: (control) => (control.motion === "turn" ? `${control.travel}° of turn` : `${control.travel} mm of slide`),
};
