import type { Schema } from "../../schema";

/** What phrases and table entries need to know about the keymap around a binding. */
export interface BindingContext {
  layerName(layerId: string): string;
  layerIndex(layerId: string): number;
}

/** The firmware's four-byte table entry: kind (firmware/src/tables.h, OV_DO_), modifiers, 16-bit value. */
export interface ActionEntry {
  kind: number;
  modifiers: number;
  value: number;
}

export interface BindingBase {
  does: string;
}

/** One sort of binding. A new one is one file, its line in the registry, and its case in firmware/src/keymap.c. */
export interface BindingKind<B extends BindingBase> {
  does: B["does"];
  schema: Schema<B>;
  /** A short plain phrase: "hold for Symbols". */
  phrase(binding: B, context: BindingContext): string;
  encode(binding: B, context: BindingContext): ActionEntry;
}
