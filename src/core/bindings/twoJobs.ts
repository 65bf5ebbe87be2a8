import { type Schema, whole, z } from "../schema";
import { ACTION, HOLD_BY, LIMITS } from "../contract/contract";
import type { BindingKind } from "./bindingKind";
import { type SimpleBinding, jobBytes, jobOf, simplePhrase, simpleSchema } from "./simple";

/** What decides, before the deadline, that the key is held. */
export const holdSchools = ["time", "press", "tap"] as const;
export type HoldSchool = (typeof holdSchools)[number];
const HOLD_CODE = { time: HOLD_BY.TIME, press: HOLD_BY.PRESS, tap: HOLD_BY.TAP } as const;

const twoJobsSchema = z.strictObject({
  does: z.literal("two-jobs"),
  tap: simpleSchema,
  hold: simpleSchema,
  school: z.enum(holdSchools),
  /** From the press on; held so long it is held. */
  deadlineMs: whole(1, LIMITS.DEADLINE_MS),
  /** Pressed sooner than this after another key it counts as tapped; 0 for never. */
  quickMs: whole(0, LIMITS.WINDOW_MS),
});

export interface TwoJobsBinding {
  does: "two-jobs";
  tap: SimpleBinding;
  hold: SimpleBinding;
  school: HoldSchool;
  deadlineMs: number;
  quickMs: number;
}

const word = (value: number) => [value & 0xff, (value >> 8) & 0xff];

/** A key that does one thing when tapped and another when held. */
export const twoJobs: BindingKind<TwoJobsBinding> = {
  does: "two-jobs",
  schema: twoJobsSchema as unknown as Schema<TwoJobsBinding>,
  action: ACTION.TWO_JOBS,
  report: null,
  phrase: ({ tap, hold }, context) =>
    `${simplePhrase(tap, context)} when tapped, ${simplePhrase(hold, context)} when held`,
  encode: ({ tap, hold, school, deadlineMs, quickMs }, context) => ({
    kind: ACTION.TWO_JOBS,
    modifiers: HOLD_CODE[school],
    value: deadlineMs,
    more: [...jobBytes(tap, context), ...jobBytes(hold, context), ...word(quickMs), 0, 0],
  }),
  decode: ({ modifiers, value, more = [] }, context) => ({
    does: "two-jobs",
    tap: jobOf(more.slice(0, 4), context),
    hold: jobOf(more.slice(4, 8), context),
    school: holdSchools.find((school) => HOLD_CODE[school] === modifiers),
    deadlineMs: value,
    quickMs: more[8] | (more[9] << 8),
  }),
  jobs: ({ tap, hold }) => [tap, hold],
};
