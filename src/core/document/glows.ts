import { idSchema } from "../catalogue/kinds/controlKind";
import { LIMITS } from "../contract/contract";
import { listOf, text, whole, z } from "../schema";
import { shownStates } from "./lampRule";

/** When a glow is seen: as of lamps, or while the key beside a light is held, for each light its own. */
const glowRuleSchema = z.discriminatedUnion("when", [...shownStates, z.strictObject({ when: z.literal("own-key") })]);
export type GlowRule = z.infer<typeof glowRuleSchema>;

const colourSchema = z
  .string()
  .check(z.regex(/^#[0-9a-f]{6}$/, "is no colour: type # and two digits each for red, green and blue"));
const elementId = text(1, 80);

/** Calm: no faster than once a second, far below what harms people who are sensitive to flicker (WCAG 2.3.1: three a second). */
const periodMs = whole(1000, 60_000);
/** Of what travels along a chain: so many lights are one whole of it; 0: all lights at one. */
const lightsAWave = whole(0, 64);
const twoColours = { colour: colourSchema, other: colourSchema };

const showsSchema = z.discriminatedUnion("how", [
  z.strictObject({ how: z.literal("still"), colour: colourSchema }),
  /** Between two colours, by how far a knob's value is. */
  z.strictObject({ how: z.literal("value"), ...twoColours, elementId }),
  /** To the other colour and back, all at one. */
  z.strictObject({ how: z.literal("swell"), ...twoColours, periodMs }),
  /** The same, travelling along the chain. */
  z.strictObject({ how: z.literal("wave"), ...twoColours, periodMs, lightsAWave }),
  /** Through all colours, as bright as this percentage. */
  z.strictObject({ how: z.literal("round"), percent: whole(1, 100), periodMs, lightsAWave }),
  /** Each light wanders by itself. */
  z.strictObject({ how: z.literal("embers"), ...twoColours, periodMs }),
]);
export type GlowShows = z.infer<typeof showsSchema>;
export type GlowHow = GlowShows["how"];

/** What addressable lights show, and when. A later one lies upon those before it. */
export const glowSchema = z.strictObject({
  id: idSchema,
  /** Elements of the lights; null: all there are. */
  lights: z.nullable(listOf(elementId, LIMITS.LIGHTS, 1)),
  when: glowRuleSchema,
  shows: showsSchema,
  /** In which it goes out when it is over. */
  fadeMs: whole(0, 5000),
});
export type Glow = z.infer<typeof glowSchema>;
export const glowListSchema = listOf(glowSchema, LIMITS.GLOWS);

/** Effects that move by themselves. */
export const movesByItself = ({ how }: GlowShows): boolean => how !== "still" && how !== "value";

export const glowTitles: Record<GlowHow, string> = {
  still: "one colour",
  value: "between two colours, by a knob's value",
  swell: "slowly to another colour and back",
  wave: "slowly to another colour and back, as a wave",
  round: "slowly through all colours",
  embers: "like embers, each light by itself",
};
