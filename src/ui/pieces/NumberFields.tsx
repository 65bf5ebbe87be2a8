"use client";

import type { schemaCore } from "@/core/schema";
import { fieldOf, isWhole } from "@/core/schemaLimits";
import { NumberField } from "./fields";

/** One number of an object: what it is called, and in which unit; its limits are the schema's. */
export interface NumberLine<K extends string> {
  key: K;
  label: string;
  unit: string;
  decimals?: number;
}

interface NumberFieldsProps<K extends string> {
  /** Of the object that holds the numbers. */
  schema: schemaCore.$ZodType;
  lines: NumberLine<K>[];
  values: Record<K, number>;
  onCommit: (key: K, value: number, line: NumberLine<K>) => void;
}

/** A row of numbers from one list. */
export function NumberFields<K extends string>({ schema, lines, values, onCommit }: NumberFieldsProps<K>) {
  return lines.map((line) => {
    const field = fieldOf(schema, line.key);
    return (
      <NumberField
        key={line.key}
        label={line.label}
        unit={line.unit}
        decimals={line.decimals}
        whole={isWhole(field)}
        schema={field}
        value={values[line.key]}
        onCommit={(value) => onCommit(line.key, value, line)}
      />
    );
  });
}

/** The place of something on the mat. */
export const PLACE_LINES: NumberLine<"xMm" | "yMm" | "rotationDeg">[] = [
  { key: "xMm", label: "x", unit: "mm", decimals: 3 },
  { key: "yMm", label: "y", unit: "mm", decimals: 3 },
  { key: "rotationDeg", label: "Turned", unit: "°" },
];
