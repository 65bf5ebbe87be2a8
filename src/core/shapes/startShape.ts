import type { Pitch } from "../catalogue/kinds/controlKind";
import type { Key } from "../catalogue/kinds/key";
import { type Schema, between, listOf } from "../schema";

/** One place of a start shape, from the shape's own centre or corner; what is not given is a 1 × 1 key. */
export interface Slot extends Partial<Pick<Key, "widthU" | "heightU" | "second" | "stepU">> {
  xMm: number;
  yMm: number;
  rotationDeg: number;
}

/** One number or list that the person sets. */
export interface ShapeField {
  key: string;
  label: string;
  unit: string;
  min: number;
  max: number;
  sort: "whole" | "number" | "list" | "yes-no";
}

/** A way to begin a layout by a few numbers. A new one is one file that exports this, and one line in the registry. */
export interface StartShape<P extends { shape: string }> {
  shape: P["shape"];
  title: string;
  schema: Schema<P>;
  fresh: P;
  fields: ShapeField[];
  slots(params: P, pitch: Pitch): Slot[];
}

export const offsetsSchema = listOf(between(-100, 100), 30);

export const wholeField = (key: string, label: string, min: number, max: number): ShapeField => ({
  key,
  label,
  unit: "",
  min,
  max,
  sort: "whole",
});
export const numberField = (key: string, label: string, unit: string, min: number, max: number): ShapeField => ({
  key,
  label,
  unit,
  min,
  max,
  sort: "number",
});
export const listField = (key: string, label: string, unit: string): ShapeField => ({
  key,
  label,
  unit,
  min: -100,
  max: 100,
  sort: "list",
});
export const yesNoField = (key: string, label: string): ShapeField => ({
  key,
  label,
  unit: "",
  min: 0,
  max: 1,
  sort: "yes-no",
});
