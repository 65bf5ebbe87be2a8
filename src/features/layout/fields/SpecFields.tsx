import { type Control, kindNamed } from "@/core/catalogue/kinds";
import { fieldOf, limitsOf } from "@/core/schemaLimits";
import { ChoiceField, NumberField, Checkbox } from "@/ui/pieces/fields";
import { Columns } from "@/ui/pieces/sheets";
import { type FieldSpec, fieldsOf } from "./kindFields";

interface SpecFieldsProps {
  control: Control;
  change: (what: string, fields: Partial<Control>) => void;
}

/** Limits are the schema's; where 0 stands for nothing, it is allowed too. */
function limitsOfSpec(kind: Control["kind"], { key, otherwise }: { key: string; otherwise?: number }) {
  const schema = fieldOf(kindNamed(kind).schema, key);
  return otherwise === 0 ? { min: 0, max: limitsOf(schema).most } : { schema };
}

/** The fields of a kind; what changes is named for the undo step. */
export function SpecFields({ control, change }: SpecFieldsProps) {
  const specs = fieldsOf(control.kind);
  const values = control as unknown as Record<string, unknown>;
  const set = (spec: FieldSpec, value: unknown) =>
    change(spec.label.toLowerCase(), { [spec.key]: value } as Partial<Control>);
  const small = specs.filter((spec) => "unit" in spec);
  const others = specs.filter((spec) => !("unit" in spec));
  return (
    <>
      {small.length > 0 && (
        <Columns>
          {small.map((spec) => (
            <NumberField
              key={spec.key}
              label={spec.label}
              unit={spec.unit}
              whole={spec.sort === "whole"}
              {...limitsOfSpec(control.kind, spec)}
              value={Number(values[spec.key] ?? spec.otherwise)}
              onCommit={(value) => set(spec, value === 0 && spec.otherwise === 0 ? undefined : value)}
            />
          ))}
        </Columns>
      )}
      {others.map((spec) =>
        spec.sort === "choice" ? (
          <ChoiceField
            key={spec.key}
            label={spec.label}
            value={String(values[spec.key] ?? spec.choices[0].value)}
            choices={spec.choices}
            onCommit={(value) => set(spec, spec.numeric ? Number(value) : value)}
          />
        ) : (
          <Checkbox
            key={spec.key}
            label={spec.label}
            checked={values[spec.key] === true}
            onChange={(value) => set(spec, value)}
          />
        ),
      )}
    </>
  );
}
