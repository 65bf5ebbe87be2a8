import type { InterfaceKind } from "../hid/interfaceKinds";
import type { Schema } from "../schema";
import type { MacroBinding } from "./macro";
import type { RepeatBinding } from "./repeat";

/** What table entries need to know about the keymap around a binding. */
export interface EncodingContext {
  layerIndex(layerId: string): number;
  /** The number of the macro that plays what a binding does. */
  playedAt(binding: MacroBinding | RepeatBinding): number;
}

/** The same the other way round: null for a layer that is not there. */
export interface DecodingContext {
  layerId(index: number): string | null;
  /** What the macro of that number is of; null for one that is not there. */
  played(index: number): MacroBinding | RepeatBinding | null;
}

/** What phrases need to know. Names of usages are long lists, which come with whoever speaks, not with the document. */
export interface PhraseContext {
  layerName(layerId: string): string;
  macroName(macroId: string): string;
  /** Of the keyboard page, with what is held along. */
  keyboardUsage(usage: number, modifiers: number): string;
  consumerUsage(usage: number): string;
  /** Modifiers by their bits: "Left Control + Left Shift". */
  modifiers(bits: number): string;
}

/** The firmware's four-byte table entry: kind (the device contract's action kinds), modifiers, 16-bit value. */
export interface ActionEntry {
  kind: number;
  modifiers: number;
  value: number;
  /** What follows in a longer action, which then lies in the pool. */
  more?: number[];
}

export interface BindingBase {
  does: string;
}

/** A layer that a binding leads to, and for how long: while it is held, until another one is stayed on, or switched off. */
export interface LayerLead {
  layerId: string;
  lasting: "held" | "stays" | "switched";
}

/**
 * One sort of binding, with all its faces, so that nothing else asks what sort it is. A new one is one file, its line
 * in the registry, and its case in firmware/src/effects.c.
 */
export interface BindingKind<B extends BindingBase> {
  does: B["does"];
  schema: Schema<B>;
  /** A short plain phrase: "hold for Symbols". */
  phrase(binding: B, context: PhraseContext): string;
  encode(binding: B, context: EncodingContext): ActionEntry;
  /** The action kind of its entries, and the binding that such an entry came from, which may not be one of this design's. */
  action: number;
  decode(entry: ActionEntry, context: DecodingContext): unknown;
  /** The report it speaks through; null when it tells the host nothing. */
  report: InterfaceKind | null;
  /** The layer it leads to, where it does. */
  leads?(binding: B): LayerLead;
  /** The usage of the keyboard page that it holds down while pressed, where it does. */
  types?(binding: B): { usage: number; modifiers: number };
  /** The things it is made of, where it does more than one; leads, reports and usages are theirs. */
  jobs?(binding: B): BindingBase[];
}
