import { between, whole, z } from "../../schema";
import { type ControlKind, asPart, contactRow, controlFields, elementOf } from "./controlKind";

const segmentsSchema = z.strictObject({
  ...controlFields,
  kind: z.literal("segments"),
  digits: whole(1, 16),
  /** All segments of all digits lit: the driver lights one digit at a time, so digits do not add up. */
  currentMa: between(1, 2000),
});
export type Segments = z.infer<typeof segmentsSchema>;

/** A row of seven-segment digits on a serial driver, which passes the data on to the next. */
export const segments: ControlKind<Segments> = {
  kind: "segments",
  title: "Segment display",
  article: "a segment display",
  prefix: "SD",
  schema: segmentsSchema,
  partId: "segments-4",
  fresh: (id, label, placement) => ({
    id,
    kind: "segments",
    label,
    placement,
    partId: "segments-4",
    digits: 4,
    currentMa: 160,
  }),
  ...asPart,
  elements: (control) => [
    elementOf(
      control,
      "segments",
      "device",
      control.label,
      contactRow(control.id, ["data", "select", "clock", "plus", "minus", "out"], 9),
    ),
  ],
  inputs: () => [],
  describe: (control) => `${control.digits} digits`,
};
