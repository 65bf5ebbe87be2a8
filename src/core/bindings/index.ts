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
import { type ConsumerBinding, consumerUsage } from "./consumerUsage";
import { type HoldLayerBinding, holdLayer } from "./holdLayer";
import { type KeyboardBinding, keyboardUsage } from "./keyboardUsage";
import { type NothingBinding, nothing } from "./nothing";
import { type StayLayerBinding, stayLayer } from "./stayLayer";

/** Every sort of binding: its type here, its one line in the list below. No binding means: as on the layer beneath. */
export type Binding = KeyboardBinding | ConsumerBinding | HoldLayerBinding | StayLayerBinding | NothingBinding;

const bindingKinds = [keyboardUsage, consumerUsage, holdLayer, stayLayer, nothing] as const;

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

/** The layer a binding leads to and for how long, or null. */
export const leadOf = (binding: Binding): LayerLead | null => kindOf(binding).leads?.(binding) ?? null;

/** The id of the layer a binding leads to, or null. */
export const leadsTo = (binding: Binding): string | null => leadOf(binding)?.layerId ?? null;

/** The interface whose report a binding speaks through, or null. */
export const reportOf = (binding: Binding): InterfaceKind | null => kindOf(binding).report;

/** The keyboard usage that a binding holds down, or null. */
export const typedBy = (binding: Binding): { usage: number; modifiers: number } | null =>
  kindOf(binding).types?.(binding) ?? null;
