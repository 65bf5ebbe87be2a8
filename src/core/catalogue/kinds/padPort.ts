import { z } from "../../schema";
import { type ControlKind, asPart, contactRow, controlFields, elementOf } from "./controlKind";

const padPortSchema = z.strictObject({ ...controlFields, kind: z.literal("pad-port") });
export type PadPort = z.infer<typeof padPortSchema>;

/** Its supply stays free: the device hangs on its own, and two sources must not feed each other. */
const ENDS = ["latch", "clock", "serial-out", "minus"];

/** Where the lead to a console's serial pad port begins. */
export const padPort: ControlKind<PadPort> = {
  kind: "pad-port",
  title: "Pad port",
  article: "a pad port",
  prefix: "PP",
  schema: padPortSchema,
  partId: "pad-lead",
  fresh: (id, label, placement) => ({ id, kind: "pad-port", label, placement, partId: "pad-lead" }),
  ...asPart,
  elements: (control) => [elementOf(control, "port", "device", control.label, contactRow(control.id, ENDS, 3, 2.54))],
  inputs: () => [],
  describe: () => "3 lines to a console",
};
