"use client";

import { Box, chakra } from "@chakra-ui/react";
import { ChevronDown } from "lucide-react";
import { type KeyboardEvent, useId, useState } from "react";
import type { schemaCore } from "@/core/schema";
import { limitsOf } from "@/core/schemaLimits";
import { readNumber } from "./readNumber";

// The library's own fields bring a machine each, which would be a thirtieth of a page's script; these are the browser's elements
// in the bench's materials, joined to their labels and problems by ids.
const box = {
  width: "100%",
  minWidth: "0",
  appearance: "none",
  height: "30px",
  fontSize: "14px",
  borderRadius: "3px",
  borderWidth: "1px",
  bg: "var(--sheet)",
  borderColor: "var(--edge)",
  color: "var(--ink)",
  paddingInline: "8px",
  _invalid: { borderColor: "var(--stop)" },
} as const;
const labelStyle = { fontSize: "13px", fontWeight: 500, color: "var(--faint)", marginBottom: "2px" } as const;

interface TextFieldProps {
  label: string;
  value: string;
  onCommit: (value: string) => void;
  /** What is wrong with a text, or null. */
  check?: (value: string) => string | null;
  mono?: boolean;
  help?: string;
}

/** A text that takes effect on Enter or on leaving; Escape puts the old one back, wrong text says what is wrong. */
export function TextField({ label, value, onCommit, check, mono, help }: TextFieldProps) {
  const id = useId();
  const [draft, setDraft] = useState<string | null>(null);
  const problem = draft === null ? null : (check?.(draft) ?? null);
  const commit = () => {
    if (draft === null || problem) return;
    if (draft !== value) onCommit(draft);
    setDraft(null);
  };
  const onKeyDown = (event: KeyboardEvent) => {
    if (event.key === "Enter") commit();
    if (event.key === "Escape") setDraft(null);
  };
  return (
    <Box width="100%">
      <label htmlFor={id}>
        <Box {...labelStyle}>{label}</Box>
      </label>
      <chakra.input
        {...box}
        id={id}
        aria-invalid={problem !== null}
        aria-describedby={problem || help ? `${id}-said` : undefined}
        fontFamily={mono ? "mono" : undefined}
        value={draft ?? value}
        onChange={(event) => setDraft(event.target.value)}
        onBlur={commit}
        onKeyDown={onKeyDown}
      />
      {help && !problem && (
        <Box id={`${id}-said`} fontSize="12px" color="var(--faint)">
          {help}
        </Box>
      )}
      {problem && (
        <Box id={`${id}-said`} aria-live="polite" fontSize="13px" fontWeight="500" color="var(--stop)">
          {problem}
        </Box>
      )}
    </Box>
  );
}

interface NumberFieldProps {
  label: string;
  value: number;
  unit: string;
  /** The limits, from the field's own schema or, where it has none, given. */
  schema?: schemaCore.$ZodType;
  min?: number;
  max?: number;
  decimals?: number;
  whole?: boolean;
  onCommit: (value: number) => void;
}

export function NumberField(props: NumberFieldProps) {
  const { label, value, unit, schema, decimals = 2, whole = false, onCommit } = props;
  const limits = schema ? limitsOf(schema) : { least: -Infinity, most: Infinity };
  const { min = limits.least, max = limits.most } = props;
  const check = (text: string) => {
    const number = readNumber(text);
    if (number === null) return `"${text}" is not a number. Type one like 12.5.`;
    if (whole && !Number.isInteger(number)) return "Only whole numbers count here.";
    if (number < min || number > max) return `Between ${min} and ${max}${unit && ` ${unit}`}.`;
    return null;
  };
  const shown = whole ? String(value) : String(Number(value.toFixed(decimals)));
  return (
    <TextField
      label={unit ? `${label} (${unit})` : label}
      mono
      value={shown}
      check={check}
      onCommit={(text) => onCommit(readNumber(text)!)}
    />
  );
}

interface ChoiceFieldProps {
  label: string;
  value: string;
  choices: { value: string; label: string; disabled?: boolean }[];
  onCommit: (value: string) => void;
  hideLabel?: boolean;
}

export function ChoiceField({ label, value, choices, onCommit, hideLabel }: ChoiceFieldProps) {
  const id = useId();
  return (
    <Box width="100%" minWidth="62px">
      {!hideLabel && (
        <label htmlFor={id}>
          <Box {...labelStyle}>{label}</Box>
        </label>
      )}
      <Box position="relative">
        <chakra.select
          id={id}
          aria-label={hideLabel ? label : undefined}
          {...box}
          paddingInlineEnd="28px"
          value={value}
          onChange={(event) => onCommit(event.target.value)}
        >
          {choices.map((choice) => (
            <option key={choice.value} value={choice.value} disabled={choice.disabled}>
              {choice.label}
            </option>
          ))}
        </chakra.select>
        <ChevronDown
          size={18}
          aria-hidden
          style={{ position: "absolute", right: 8, top: 6, pointerEvents: "none", color: "var(--faint)" }}
        />
      </Box>
    </Box>
  );
}

interface TickProps {
  label: string;
  checked: boolean;
  onChange: (checked: boolean) => void;
  disabled?: boolean;
  hideLabel?: boolean;
}

export function Checkbox({ label, checked, onChange, disabled, hideLabel }: TickProps) {
  return (
    <label
      style={{
        display: "inline-flex",
        gap: 8,
        alignItems: "center",
        minHeight: 24,
        cursor: disabled ? "default" : "pointer",
      }}
    >
      <input
        type="checkbox"
        aria-label={hideLabel ? label : undefined}
        checked={checked}
        disabled={disabled}
        onChange={(event) => onChange(event.target.checked)}
        style={{ width: 16, height: 16, accentColor: "var(--saffron)" }}
      />
      {!hideLabel && <span>{label}</span>}
    </label>
  );
}
