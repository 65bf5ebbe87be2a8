import type { Pin } from "@/core/catalogue/controllers/controllerProfile";
import { busWords, readBuses } from "@/core/formats/pinTable";
import { PlainButton } from "@/ui/pieces/buttons";
import { ChoiceField, NumberField, TextField, Checkbox } from "@/ui/pieces/fields";
import { Columns } from "@/ui/pieces/sheets";

const ROLES = ["io", "ground", "supply", "logic-supply", "reset", "unused"].map((value) => ({ value, label: value }));

const TICKS: ["input" | "output" | "pullUp" | "interrupt" | "pwm", string][] = [
  ["input", "Input"],
  ["output", "Output"],
  ["pullUp", "Pull-up"],
  ["interrupt", "Interrupt"],
  ["pwm", "PWM"],
];

interface PadFieldsProps {
  pin: Pin;
  change: (fields: Partial<Pin>) => void;
  remove: () => void;
}

/** What one pad is and can do. */
export function PadFields({ pin, change, remove }: PadFieldsProps) {
  return (
    <>
      <Columns>
        <TextField
          label="Pad"
          value={pin.name}
          check={(text) => (text.trim() === "" || text.length > 12 ? "1 to 12 characters." : null)}
          onCommit={(name) => change({ name: name.trim() })}
        />
        <ChoiceField
          label="Role"
          value={pin.role}
          choices={ROLES}
          onCommit={(role) => change({ role: role as Pin["role"] })}
        />
        <NumberField
          label="x"
          unit="mm"
          min={-200}
          max={200}
          decimals={3}
          value={pin.xMm}
          onCommit={(xMm) => change({ xMm })}
        />
        <NumberField
          label="y"
          unit="mm"
          min={-200}
          max={200}
          decimals={3}
          value={pin.yMm}
          onCommit={(yMm) => change({ yMm })}
        />
      </Columns>
      {(pin.role === "supply" || pin.role === "logic-supply") && (
        <TextField
          label="Gives (V), nothing when that depends"
          mono
          value={pin.volts === null ? "" : String(pin.volts)}
          check={(text) => (text === "" || Number(text) > 0 ? null : "A voltage like 3.3, or nothing.")}
          onCommit={(text) => change({ volts: text === "" ? null : Number(text) })}
        />
      )}
      {pin.role === "io" && (
        <>
          {TICKS.map(([field, label]) => (
            <div key={field}>
              <Checkbox label={label} checked={pin[field]} onChange={(on) => change({ [field]: on })} />
            </div>
          ))}
          <TextField
            label="Analog channel"
            value={pin.analogChannel === null ? "" : String(pin.analogChannel)}
            check={(text) => (text === "" || /^\d{1,2}$/.test(text) ? null : "A channel number, or nothing.")}
            onCommit={(text) => change({ analogChannel: text === "" ? null : Number(text) })}
          />
          <TextField
            label="Buses"
            value={busWords(pin.buses)}
            check={(text) => (readBuses(text) === null ? "Like i2c 0 SDA, several with + between." : null)}
            onCommit={(text) => change({ buses: readBuses(text) ?? [] })}
          />
          <TextField
            label="Reserved, because"
            value={pin.reserved ?? ""}
            onCommit={(text) => change({ reserved: text.trim() || null })}
          />
          <TextField
            label="At the start it decides"
            value={pin.boot ?? ""}
            onCommit={(text) => change({ boot: text.trim() || null })}
          />
        </>
      )}
      <PlainButton marginTop="8px" onClick={remove}>
        Remove the pad
      </PlainButton>
    </>
  );
}
