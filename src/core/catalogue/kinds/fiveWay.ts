import { fiveWayEnd } from "./endAt";
import { z } from "../../schema";
import { type ControlKind, asPart, contactRow, controlFields, switchOf } from "./controlKind";

const fiveWaySchema = z.strictObject({ ...controlFields, kind: z.literal("five-way") });
export type FiveWay = z.infer<typeof fiveWaySchema>;

const WAYS = ["press", "up", "down", "left", "right"];

/** A small stick with five contacts: four directions and a push. */
export const fiveWay: ControlKind<FiveWay> = {
  kind: "five-way",
  title: "Five-way",
  article: "a five-way",
  prefix: "F",
  schema: fiveWaySchema,
  partId: "five-way-10",
  fresh: (id, label, placement) => ({ id, kind: "five-way", label, placement, partId: "five-way-10" }),
  ...asPart,
  elements: (control) => ways(control).map((way) => way.element),
  inputs: (control) => ways(control).map((way) => way.input),
  endAt: fiveWayEnd,
  describe: () => "4 directions and push",
};

const ways = (control: FiveWay) =>
  WAYS.map((way, nth) =>
    switchOf(
      control,
      way,
      `${control.label} ${way === "press" ? "push" : way}`,
      contactRow(control.id, [`${way}1`, `${way}2`], -4 + nth * 2, 9),
    ),
  );
