import { between, whole, z } from "../../schema";
import { type ControlKind, asPart, contactRow, controlFields, elementOf } from "./controlKind";

const displaySchema = z.strictObject({
  ...controlFields,
  kind: z.literal("display"),
  widthPx: whole(8, 1024),
  heightPx: whole(8, 1024),
  bitsPerPx: whole(1, 24),
  /** Lit dots and driver at their most. */
  currentMa: between(1, 500),
  /** Pull-up resistors that the module carries on both bus wires; none where nothing is said. */
  pullUpOhm: z.optional(between(100, 1e6)),
});
export type Display = z.infer<typeof displaySchema>;

/** A graphic display on the two-wire bus. */
export const display: ControlKind<Display> = {
  kind: "display",
  title: "Display",
  article: "a display",
  prefix: "D",
  schema: displaySchema,
  partId: "display-27",
  fresh: (id, label, placement) => ({
    id,
    kind: "display",
    label,
    placement,
    partId: "display-27",
    widthPx: 128,
    heightPx: 64,
    bitsPerPx: 1,
    currentMa: 25,
  }),
  ...asPart,
  elements: (control) => [
    elementOf(
      control,
      "display",
      "device",
      control.label,
      contactRow(control.id, ["minus", "plus", "SCL", "SDA"], -12.4),
    ),
  ],
  inputs: () => [],
  describe: (control) => `${control.widthPx} × ${control.heightPx} dots`,
};
