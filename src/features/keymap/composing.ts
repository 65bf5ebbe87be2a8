import { type Binding, type SimpleBinding, jobsOf } from "@/core/bindings";
import type { HoldSchool } from "@/core/bindings/twoJobs";

/** How many things an input does, and when. */
export const compositions = ["one", "two-jobs", "second-tap"] as const;
export type Composition = (typeof compositions)[number];

export const compositionWords: Record<Composition, string> = {
  one: "one thing",
  "two-jobs": "one thing tapped, another held",
  "second-tap": "something else on the second tap",
};

export const schoolWords: Record<HoldSchool, string> = {
  time: "the time is over",
  press: "another key is pressed, or the time is over",
  tap: "another key is tapped, or the time is over",
};

/** Times that suit most hands (common practice); each can be changed. */
const USUAL = { deadlineMs: 180, quickMs: 80, withinMs: 220 };

const NOTHING: SimpleBinding = { does: "nothing" };

export const compositionOf = (binding: Binding | undefined): Composition =>
  binding?.does === "two-jobs" || binding?.does === "second-tap" ? binding.does : "one";

/** The same things composed otherwise: what a tap does stays. */
export function composed(binding: Binding | undefined, how: Composition): Binding {
  const [first = NOTHING, second = NOTHING] = binding ? jobsOf(binding) : [];
  if (how === "two-jobs")
    return {
      does: how,
      tap: first,
      hold: second,
      school: "tap",
      deadlineMs: USUAL.deadlineMs,
      quickMs: USUAL.quickMs,
    };
  return how === "second-tap" ? { does: how, once: first, twice: second, withinMs: USUAL.withinMs } : first;
}

/** The binding with one of its things changed: 0 the one of a tap. */
export function withJob(binding: Binding | undefined, nth: number, job: SimpleBinding): Binding {
  if (binding?.does === "two-jobs") return nth === 0 ? { ...binding, tap: job } : { ...binding, hold: job };
  if (binding?.does === "second-tap") return nth === 0 ? { ...binding, once: job } : { ...binding, twice: job };
  return job;
}
