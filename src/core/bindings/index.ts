import { type Schema, type schemaCore, z } from "../schema";
import { ACTION } from "../contract/contract";
import type { InterfaceKind } from "../hid/interfaceKinds";
import type {
  ActionEntry,
  BindingKind,
  DecodingContext,
  EncodingContext,
  LayerLead,
  PhraseContext,
} from "./bindingKind";
import { type SecondTapBinding, secondTap } from "./secondTap";
import { type SimpleBinding, simpleKinds } from "./simple";
import { type TwoJobsBinding, twoJobs } from "./twoJobs";

/** Every sort of binding: those of one thing stand in simple.ts, those made of them here. No binding means: as on the layer beneath. */
export type Binding = SimpleBinding | TwoJobsBinding | SecondTapBinding;
export type { SimpleBinding };

const bindingKinds = [...simpleKinds, twoJobs, secondTap] as const;

const byDeed = new Map<string, BindingKind<Binding>>(
  bindingKinds.map((kind) => [kind.does, kind as unknown as BindingKind<Binding>]),
);

const schemas = bindingKinds.map((kind) => kind.schema) as unknown as [schemaCore.$ZodTypeDiscriminable];
export const bindingSchema = z.discriminatedUnion("does", schemas) as unknown as Schema<Binding>;

const kindOf = (binding: Binding): BindingKind<Binding> => byDeed.get(binding.does)!;

export const phraseOf = (binding: Binding, context: PhraseContext): string => kindOf(binding).phrase(binding, context);

const PASS: ActionEntry = { kind: ACTION.PASS, modifiers: 0, value: 0 };

export const actionOf = (binding: Binding | undefined, context: EncodingContext): ActionEntry =>
  binding ? kindOf(binding).encode(binding, context) : PASS;

/** The binding that a table entry stands for: null for none, undefined for an entry that no binding of today writes. */
export function bindingOf(entry: ActionEntry, context: DecodingContext): Binding | null | undefined {
  if (entry.kind === ACTION.PASS) return null;
  const kind = bindingKinds.find(({ action }) => action === entry.kind);
  const read = bindingSchema.safeParse(kind?.decode(entry, context));
  return read.success ? read.data : undefined;
}

/** Whether what a binding does is told only by what comes after its press. */
export const isMadeOfJobs = (binding: Binding): boolean => kindOf(binding).jobs !== undefined;

/** What a binding does, thing by thing: one, or the jobs it is made of, the one of a tap first. */
export const jobsOf = (binding: Binding): SimpleBinding[] =>
  (kindOf(binding).jobs?.(binding) as SimpleBinding[] | undefined) ?? [binding as SimpleBinding];

/** The layers a binding leads to and for how long. */
export const leadsOf = (binding: Binding): LayerLead[] =>
  jobsOf(binding).flatMap((job) => kindOf(job).leads?.(job) ?? []);

/** The interfaces whose reports a binding speaks through. */
export const reportsOf = (binding: Binding): InterfaceKind[] => [
  ...new Set(jobsOf(binding).flatMap((job) => kindOf(job).report ?? [])),
];

/** The keyboard usage that a binding holds down when it is tapped, or null. */
export function typedBy(binding: Binding): { usage: number; modifiers: number } | null {
  const [first] = jobsOf(binding);
  return kindOf(first).types?.(first) ?? null;
}
