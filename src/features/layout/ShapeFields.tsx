import type { ShapeParams } from "@/core/shapes";
import { startShapeOf } from "@/core/shapes";
import type { ShapeField } from "@/core/shapes/startShape";
import { NumberField, TextField, Checkbox } from "@/ui/pieces/fields";
import { readNumber } from "@/ui/pieces/readNumber";
import { Columns } from "@/ui/pieces/sheets";

interface ShapeFieldsProps {
  shape: ShapeParams;
  onChange: (shape: ShapeParams) => void;
}

const numbersIn = (text: string) =>
  text
    .split(/[\s;]+/)
    .filter(Boolean)
    .map(readNumber);

function listProblem(text: string, { min, max, unit }: ShapeField): string | null {
  const numbers = numbersIn(text);
  if (numbers.length > 30) return "At most 30 numbers.";
  if (numbers.some((n) => n === null || n < min || n > max))
    return `Numbers from ${min} to ${max} ${unit}, spaces between.`;
  return null;
}

/** The numbers of a start shape. */
export function ShapeFields({ shape, onChange }: ShapeFieldsProps) {
  const { fields } = startShapeOf(shape);
  const values = shape as unknown as Record<string, number | number[] | boolean>;
  const set = (key: string, value: unknown) => onChange({ ...shape, [key]: value } as ShapeParams);
  const small = fields.filter(({ sort }) => sort === "whole" || sort === "number");
  return (
    <>
      <Columns>
        {small.map(({ key, label, unit, min, max, sort }) => (
          <NumberField
            key={key}
            label={label}
            unit={unit}
            min={min}
            max={max}
            whole={sort === "whole"}
            value={values[key] as number}
            onCommit={(value) => set(key, value)}
          />
        ))}
      </Columns>
      {fields.map((field) =>
        field.sort === "list" ? (
          <TextField
            key={field.key}
            label={`${field.label} (${field.unit})`}
            mono
            value={(values[field.key] as number[]).join(" ")}
            check={(text) => listProblem(text, field)}
            onCommit={(text) => set(field.key, numbersIn(text))}
          />
        ) : field.sort === "yes-no" ? (
          <Checkbox
            key={field.key}
            label={field.label}
            checked={values[field.key] as boolean}
            onChange={(on) => set(field.key, on)}
          />
        ) : null,
      )}
    </>
  );
}
