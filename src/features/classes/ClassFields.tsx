import { Box } from "@chakra-ui/react";
import type { ControllerProfile } from "@/core/catalogue/controllers/controllerProfile";
import { ChoiceField, NumberField, TextField, Checkbox } from "@/ui/pieces/fields";
import { Columns } from "@/ui/pieces/sheets";

type NumberKey =
  | "widthMm"
  | "heightMm"
  | "logicV"
  | "inputLowMaxV"
  | "inputHighMinV"
  | "pullUpMinOhm"
  | "pullUpMaxOhm"
  | "pinCurrentMa"
  | "allPinsCurrentMa"
  | "clockMhz"
  | "flashKib"
  | "ramKib"
  | "price";

const NUMBERS: [NumberKey, label: string, unit: string, min: number, max: number][] = [
  ["widthMm", "Width", "mm", 5, 250],
  ["heightMm", "Height", "mm", 5, 250],
  ["logicV", "Logic", "V", 1, 6],
  ["inputLowMaxV", "Surely low to", "V", 0, 6],
  ["inputHighMinV", "Surely high from", "V", 0, 6],
  ["pinCurrentMa", "A pin gives", "mA", 0.1, 100],
  ["allPinsCurrentMa", "All pins", "mA", 1, 2000],
  ["pullUpMinOhm", "Pull-up from", "Ω", 100, 1e6],
  ["pullUpMaxOhm", "to", "Ω", 100, 1e6],
  ["clockMhz", "Clock", "MHz", 1, 1000],
  ["flashKib", "Flash", "KiB", 1, 65536],
  ["ramKib", "RAM", "KiB", 0.5, 65536],
  ["price", "Price", "each", 0, 1000],
];

const SUPPORT = [
  { value: "no", label: "does not run" },
  { value: "runs", label: "runs, no USB device" },
  { value: "runs-usb", label: "runs, USB device" },
];
const FORMS = [
  { value: "module", label: "Ready module" },
  { value: "chip", label: "Bare chip" },
];

interface ClassFieldsProps {
  profile: ControllerProfile;
  change: (fields: Partial<ControllerProfile>) => void;
}

/** The numbers of a class as a whole. */
export function ClassFields({ profile, change }: ClassFieldsProps) {
  const support = (value: string) => value as ControllerProfile["firmware"]["compiled"];
  return (
    <Box display="flex" flexDirection="column" gap="8px">
      <TextField
        label="Class"
        value={profile.title}
        check={(text) => (text.trim() === "" || text.length > 80 ? "1 to 80 characters." : null)}
        onCommit={(title) => change({ title: title.trim() })}
      />
      <TextField
        label="In short"
        value={profile.summary}
        onCommit={(summary) => change({ summary: summary.slice(0, 300) })}
      />
      <Columns>
        <ChoiceField
          label="Form"
          value={profile.form}
          choices={FORMS}
          onCommit={(form) => change({ form: form as ControllerProfile["form"] })}
        />
        <Box paddingTop="24px">
          <Checkbox label="Radio on it" checked={profile.radio} onChange={(radio) => change({ radio })} />
        </Box>
        <ChoiceField
          label="Compiled C"
          value={profile.firmware.compiled}
          choices={SUPPORT}
          onCommit={(value) => change({ firmware: { ...profile.firmware, compiled: support(value) } })}
        />
        <ChoiceField
          label="On-board Python"
          value={profile.firmware.interpreted}
          choices={SUPPORT}
          onCommit={(value) => change({ firmware: { ...profile.firmware, interpreted: support(value) } })}
        />
        {NUMBERS.map(([key, label, unit, min, max]) => (
          <NumberField
            key={key}
            label={label}
            unit={unit}
            min={min}
            max={max}
            value={profile[key]}
            onCommit={(value) => change({ [key]: value })}
          />
        ))}
      </Columns>
    </Box>
  );
}
