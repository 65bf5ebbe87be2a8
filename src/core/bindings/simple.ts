import { type Schema, type schemaCore, z } from "../schema";
import type { ActionEntry, BindingKind, DecodingContext, EncodingContext, PhraseContext } from "./bindingKind";
import { type AwakeBinding, awake } from "./awake";
import { type ConsumerBinding, consumerUsage } from "./consumerUsage";
import { type ControllerBinding, controller } from "./controller";
import { type HoldLayerBinding, holdLayer } from "./holdLayer";
import { type KeyboardBinding, keyboardUsage } from "./keyboardUsage";
import { type MacroBinding, macro } from "./macro";
import { type NextLayerBinding, nextLayer } from "./nextLayer";
import { type NextModifiersBinding, nextModifiers } from "./nextModifiers";
import { type NoteBinding, note } from "./note";
import { type NothingBinding, nothing } from "./nothing";
import { type PadButtonBinding, padButton } from "./padButton";
import { type PadHatBinding, padHat } from "./padHat";
import { type PointerButtonBinding, pointerButton } from "./pointerButton";
import { type PointerMoveBinding, pointerMove } from "./pointerMove";
import { type PointerPlaceBinding, pointerPlace } from "./pointerPlace";
import { type PointerWheelBinding, pointerWheel } from "./pointerWheel";
import { type ProgramBinding, program } from "./program";
import { type RepeatBinding, repeat } from "./repeat";
import { type StayLayerBinding, stayLayer } from "./stayLayer";
import { type SwitchLayerBinding, switchLayer } from "./switchLayer";
import { type SystemBinding, systemUsage } from "./systemUsage";

/** Bindings that do one thing: its type here, its one line in the list below. Others are made of these. */
export type SimpleBinding =
  | KeyboardBinding
  | ConsumerBinding
  | HoldLayerBinding
  | StayLayerBinding
  | SwitchLayerBinding
  | NextModifiersBinding
  | NextLayerBinding
  | MacroBinding
  | RepeatBinding
  | PointerButtonBinding
  | PointerMoveBinding
  | PointerPlaceBinding
  | PointerWheelBinding
  | AwakeBinding
  | SystemBinding
  | PadButtonBinding
  | PadHatBinding
  | NoteBinding
  | ControllerBinding
  | ProgramBinding
  | NothingBinding;

export const simpleKinds = [
  keyboardUsage,
  consumerUsage,
  holdLayer,
  stayLayer,
  switchLayer,
  nextModifiers,
  nextLayer,
  macro,
  repeat,
  pointerButton,
  pointerMove,
  pointerPlace,
  pointerWheel,
  awake,
  systemUsage,
  padButton,
  padHat,
  note,
  controller,
  program,
  nothing,
] as const;

const byDeed = new Map<string, BindingKind<SimpleBinding>>(
  simpleKinds.map((kind) => [kind.does, kind as unknown as BindingKind<SimpleBinding>]),
);
const kindOf = (binding: SimpleBinding): BindingKind<SimpleBinding> => byDeed.get(binding.does)!;

const schemas = simpleKinds.map((kind) => kind.schema) as unknown as [schemaCore.$ZodTypeDiscriminable];
export const simpleSchema = z.discriminatedUnion("does", schemas) as unknown as Schema<SimpleBinding>;

export const simplePhrase = (binding: SimpleBinding, context: PhraseContext): string =>
  kindOf(binding).phrase(binding, context);

const word = (value: number) => [value & 0xff, (value >> 8) & 0xff];

/** The four bytes of a job that stands behind its binding in the pool. */
export function jobBytes(binding: SimpleBinding, context: EncodingContext): number[] {
  const { kind, modifiers, value } = kindOf(binding).encode(binding, context);
  return [kind, modifiers, ...word(value)];
}

/** The job that such bytes stand for; undefined for what no binding of today writes. */
export function jobOf(bytes: number[], context: DecodingContext): unknown {
  const [action, modifiers, low, high] = bytes;
  const entry: ActionEntry = { kind: action, modifiers, value: low | (high << 8) };
  return simpleKinds.find((kind) => kind.action === action)?.decode(entry, context);
}
