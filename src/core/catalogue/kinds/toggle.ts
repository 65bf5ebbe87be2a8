import { leverEnd } from "./endAt";
import { z } from "../../schema";
import { type ControlInput, type ControlKind, asPart, contactRow, controlFields, switchOf } from "./controlKind";

const toggleSchema = z.strictObject({
  ...controlFields,
  kind: z.literal("toggle"),
  /** Positions of the lever; with three, the middle one closes nothing. */
  positions: z.union([z.literal(2), z.literal(3)]),
  /** Springs back by itself. */
  momentary: z.boolean(),
  /** What one that stays tells: each flip by a pulse, or its state for as long as it is on. */
  tells: z.enum(["change", "state"]),
});
export type Toggle = z.infer<typeof toggleSchema>;

/** A lever switch with one contact, or one for each end of its way. */
export const toggle: ControlKind<Toggle> = {
  kind: "toggle",
  title: "Toggle",
  article: "a toggle",
  prefix: "T",
  schema: toggleSchema,
  partId: "toggle-6",
  fresh: (id, label, placement) => ({
    id,
    kind: "toggle",
    label,
    placement,
    partId: "toggle-6",
    positions: 2,
    momentary: false,
    tells: "change",
  }),
  ...asPart,
  elements: (control) =>
    ends(control).map(({ element }) => (control.momentary ? element : { ...element, stays: true as const })),
  endAt: leverEnd,
  inputs: (control) =>
    ends(control).flatMap(({ input }) =>
      control.momentary || control.tells === "state" ? [input] : [{ ...input, flips: true as const }, back(input)],
    ),
  describe: (control) => `${control.positions} positions${control.momentary ? ", springs back" : ""}`,
};

/** The flip back of a contact that stays. */
const back = (input: ControlInput): ControlInput => ({
  ...input,
  id: `${input.id}-back`,
  motion: "back",
  label: `${input.label} flipped back`,
});

const ends = (control: Toggle) =>
  control.positions === 2
    ? [switchOf(control, "press", control.label, contactRow(control.id, ["1", "2"], 0, 4.7))]
    : [
        switchOf(control, "press", `${control.label} up`, contactRow(control.id, ["U1", "U2"], -2.35, 4.7)),
        switchOf(control, "down", `${control.label} down`, contactRow(control.id, ["D1", "D2"], 2.35, 4.7)),
      ];
