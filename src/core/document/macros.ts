import { idSchema } from "../catalogue/kinds/controlKind";
import { LIMITS } from "../contract/contract";
import { listOf, text, whole, z } from "../schema";

/** Longest pause of a step, and of a repetition, in ms. */
const MOST_WAIT_MS = 60_000;
export const MOST_STEPS = 400;
const MOST_TEXT = 2000;

const key = { usage: whole(4, 0xe7), modifiers: whole(0, 255) };

/** One step of a macro. Keys are usages of the keyboard page with what is held along. */
const stepSchema = z.discriminatedUnion("step", [
  z.strictObject({ step: z.literal("press"), ...key }),
  z.strictObject({ step: z.literal("release"), usage: key.usage }),
  z.strictObject({ step: z.literal("tap"), ...key }),
  /** Keystrokes that type it on a computer of the keymap's language. */
  z.strictObject({ step: z.literal("text"), text: text(1, MOST_TEXT) }),
  z.strictObject({ step: z.literal("wait"), ms: whole(1, MOST_WAIT_MS) }),
  /** Goes on when the macro's own key is let go. */
  z.strictObject({ step: z.literal("until-let-go") }),
  /** A usage of the consumer page, tapped. */
  z.strictObject({ step: z.literal("consumer"), usage: whole(1, 0x3ff) }),
  z.strictObject({ step: z.literal("layer"), way: z.enum(["stay", "switch"]), layerId: idSchema }),
  /** The steps before it are done again, so many of them: so often in all, or, at 0, until its key is let go. */
  z.strictObject({ step: z.literal("again"), steps: whole(1, MOST_STEPS), times: whole(0, 255) }),
]);
export type MacroStep = z.infer<typeof stepSchema>;

/** How often its steps are done; while held at least once. */
const playsSchema = z.discriminatedUnion("how", [
  z.strictObject({ how: z.literal("times"), times: whole(1, 255) }),
  z.strictObject({ how: z.literal("while-held") }),
]);

const macroSchema = z.strictObject({
  id: idSchema,
  name: text(1, 40),
  plays: playsSchema,
  /** Whether any press ends it. */
  endsOnPress: z.boolean(),
  steps: listOf(stepSchema, MOST_STEPS),
});
export type Macro = z.infer<typeof macroSchema>;
export const macroListSchema = listOf(macroSchema, LIMITS.MACROS);
