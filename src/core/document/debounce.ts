import { between, whole, z } from "../schema";

/**
 * The two schools of debouncing. Deferred: a change counts when it has lasted the whole time, so a spike on a long wire
 * is no keystroke; it costs that time. Eager: a change counts at once and what follows within the time does not; it
 * costs nothing, and a spike is a keystroke.
 */
export const debounceSchools = ["deferred", "eager"] as const;
export type DebounceSchool = (typeof debounceSchools)[number];

export const debounceSchema = z.strictObject({ school: z.enum(debounceSchools), ms: whole(0, 50) });
export type Debounce = z.infer<typeof debounceSchema>;

export const timingSchema = z.strictObject({
  /** How changes of contacts are taken for true. */
  debounce: debounceSchema,
  /** Controls whose contacts are taken otherwise, by id. */
  debounceOf: z.record(z.string(), debounceSchema),
  /** From driving a line to reading the others. */
  settleUs: whole(0, 250),
  /** How long one encoder step is reported as pressed. */
  pulseMs: whole(1, 50),
  /** Clock cycles of an instruction of the interpreter and of a call to a pin, as measured; a range from memory otherwise. */
  interpreter: z.optional(z.strictObject({ cyclesAStep: between(10, 5000), cyclesACall: between(10, 50_000) })),
});
export type Timing = z.infer<typeof timingSchema>;

/** How a control's contacts are debounced: as set for it, or as for all. */
export const debounceOf = ({ timing }: { timing: Timing }, controlId: string): Debounce =>
  Object.hasOwn(timing.debounceOf, controlId) ? timing.debounceOf[controlId] : timing.debounce;

/**
 * Milliseconds from the first closing to its counting; what bounces longer counts later, or twice when eager.
 */
export const countedAfterMs = ({ school, ms }: Debounce): number => (school === "eager" ? 0 : ms);

export const usualTiming: Timing = {
  debounce: { school: "deferred", ms: 5 },
  debounceOf: {},
  settleUs: 5,
  pulseMs: 2,
};
