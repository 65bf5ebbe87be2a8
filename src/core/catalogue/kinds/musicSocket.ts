import { z } from "../../schema";
import { type ControlKind, asPart, contactRow, controlFields, elementOf } from "./controlKind";

const musicSocketSchema = z.strictObject({ ...controlFields, kind: z.literal("music-socket") });
export type MusicSocket = z.infer<typeof musicSocketSchema>;

/** Pins 4, 5 and 2 of the five (MIDI 1.0, hardware); 1 and 3 stay free. */
const ENDS = ["current-source", "current-sink", "minus"];

/** A round five-pin socket that instruments are played through. */
export const musicSocket: ControlKind<MusicSocket> = {
  kind: "music-socket",
  title: "Music socket",
  article: "a music socket",
  prefix: "MS",
  schema: musicSocketSchema,
  partId: "din-socket",
  fresh: (id, label, placement) => ({ id, kind: "music-socket", label, placement, partId: "din-socket" }),
  ...asPart,
  elements: (control) => [elementOf(control, "socket", "device", control.label, contactRow(control.id, ENDS, 7, 5))],
  inputs: () => [],
  describe: () => "1 line, 2 resistors",
};
