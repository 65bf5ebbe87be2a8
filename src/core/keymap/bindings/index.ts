import { type Schema, type schemaCore, z } from "../../schema";
import type { ActionEntry, BindingContext, BindingKind } from "./bindingKind";
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

export const phraseOf = (binding: Binding, context: BindingContext): string =>
  byDeed.get(binding.does)!.phrase(binding, context);

const PASS: ActionEntry = { kind: 0, modifiers: 0, value: 0 };

export const actionOf = (binding: Binding | undefined, context: BindingContext): ActionEntry =>
  binding ? byDeed.get(binding.does)!.encode(binding, context) : PASS;
