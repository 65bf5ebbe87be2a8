import { listOf, text, z } from "../schema";

export const fingers = [
  "left little",
  "left ring",
  "left middle",
  "left index",
  "left thumb",
  "right thumb",
  "right index",
  "right middle",
  "right ring",
  "right little",
] as const;
export type Finger = (typeof fingers)[number];

/** Where fingers rest, and what they are to type. */
export const reachSchema = z.strictObject({
  homes: listOf(z.strictObject({ finger: z.enum(fingers), controlId: text(1, 40) }), 10),
  sample: text(0, 20_000),
});
export type ReachSettings = z.infer<typeof reachSchema>;

export const noReach: ReachSettings = { homes: [], sample: "" };
