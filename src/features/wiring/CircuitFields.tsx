"use client";

import { circuitKindOf } from "@/core/circuits";
import { fieldOf } from "@/core/schemaLimits";
import type { Circuit } from "@/core/circuits";
import { DISPLAY_ADDRESS } from "@/core/circuits/busDisplays";
import { EXPANDER_ADDRESSES, type ExpanderCircuit, addressOf } from "@/core/circuits/expander";
import { ladderMargin } from "@/core/circuits/ladderVoltage";
import type { LadderCircuit } from "@/core/circuits/ladder";
import type { DiodeDirection } from "@/core/circuits/matrix";
import { derive } from "@/core/derived/derive";
import { changeCircuit } from "@/core/edits/wiring";
import { edit, useDesign } from "@/store/bench";
import { ChoiceField, NumberField, TextField, Checkbox } from "@/ui/pieces/fields";
import { Columns, Values } from "@/ui/pieces/sheets";
import { BusDisplayFields } from "./BusDisplayFields";
import { SegmentChainFields } from "./SegmentChainFields";

export const DIODES: { value: DiodeDirection; label: string }[] = [
  { value: "column-to-row", label: "column → row (rows are driven)" },
  { value: "row-to-column", label: "row → column (columns are driven)" },
  { value: "none", label: "none" },
];

/** What a kind of circuit can be set to. */
export function CircuitFields({ circuit }: { circuit: Circuit }) {
  const set = (change: object) =>
    edit(`change ${circuit.name}`, (d) => changeCircuit(d, circuit.id, change as Partial<Circuit>));
  switch (circuit.kind) {
    case "direct":
      return (
        <ChoiceField
          label="Closed switches pull"
          value={circuit.polarity}
          choices={[
            { value: "to-ground", label: "to ground, pull-up inside" },
            { value: "to-supply", label: "to the supply, pull-down added" },
          ]}
          onCommit={(polarity) => set({ polarity })}
        />
      );
    case "matrix":
      return (
        <ChoiceField label="Diodes" value={circuit.diodes} choices={DIODES} onCommit={(diodes) => set({ diodes })} />
      );
    case "multiplexer":
      return (
        <ChoiceField
          label="Channels of each"
          value={String(circuit.channels)}
          choices={[
            { value: "16", label: "16 (74HC4067)" },
            { value: "8", label: "8 (74HC4051)" },
          ]}
          onCommit={(channels) => set({ channels: Number(channels) })}
        />
      );
    case "output-registers":
      return (
        <>
          <Checkbox
            label="A PWM pin dims all lamps together"
            checked={circuit.dimmed}
            onChange={(dimmed) => set({ dimmed })}
          />
          <ChoiceField
            label="Lamps and registers run on"
            value={circuit.feed}
            choices={[
              { value: "logic", label: "the logic's voltage (74HC595)" },
              { value: "5V", label: "5 V (74HCT595)" },
            ]}
            onCommit={(feed) => set({ feed })}
          />
        </>
      );
    case "segment-chain":
      return <SegmentChainFields circuit={circuit} set={set} />;
    case "light-chain":
      return (
        <Checkbox
          label="A level shifter lifts the data"
          checked={circuit.shifted}
          onChange={(shifted) => set({ shifted })}
        />
      );
    case "ladder":
      return <LadderFields circuit={circuit} set={set} />;
    case "expander":
      return <ExpanderFields circuit={circuit} set={set} />;
    case "bus-displays":
      return (
        <>
          <Columns>
            <BusChoice bus={circuit.bus} set={set} />
            <NumberField
              label="Addresses of one sort"
              unit=""
              whole
              schema={fieldOf(circuitKindOf(circuit).schema, "ownAddresses")}
              value={circuit.ownAddresses}
              onCommit={(ownAddresses) => set({ ownAddresses })}
            />
            <TextField
              label="Lowest address (hex)"
              mono
              value={(circuit.firstAddress ?? DISPLAY_ADDRESS).toString(16).toUpperCase()}
              check={(text) => (readAddress(text) === null ? "Two hexadecimal digits, 08 to 77." : null)}
              onCommit={(text) => set({ firstAddress: readAddress(text)! })}
            />
          </Columns>
          <BusDisplayFields circuit={circuit} set={set} />
        </>
      );
    case "music-out":
      return (
        <Columns>
          {(["sourceOhm", "dataOhm"] as const).map((name) => (
            <NumberField
              key={name}
              label={name === "sourceOhm" ? "Supply to pin 4" : "Data to pin 5"}
              unit="Ω"
              schema={fieldOf(circuitKindOf(circuit).schema, name)}
              value={circuit[name]}
              onCommit={(ohm) => set({ [name]: ohm })}
            />
          ))}
        </Columns>
      );
    case "spi-radio":
      return <BusChoice bus={circuit.bus} set={set} />;
    default:
      return null;
  }
}

const BusChoice = ({ bus, set }: { bus: number; set: (change: object) => void }) => (
  <ChoiceField
    label="Bus"
    value={String(bus)}
    choices={[0, 1, 2, 3].map((nth) => ({ value: String(nth), label: `bus ${nth + 1}` }))}
    onCommit={(value) => set({ bus: Number(value) })}
  />
);

function LadderFields({ circuit, set }: { circuit: LadderCircuit; set: (change: object) => void }) {
  const design = useDesign();
  const { ladders } = derive(design).builtCircuits[design.circuits.indexOf(circuit)];
  const margin = Math.min(...ladders.map((bank) => ladderMargin(bank, circuit.tolerance, circuit.ripple)));
  return (
    <>
      <Columns>
        <NumberField
          label="Keys of a bank"
          unit=""
          whole
          schema={fieldOf(circuitKindOf(circuit).schema, "perBank")}
          value={circuit.perBank}
          onCommit={(perBank) => set({ perBank })}
        />
        <NumberField
          label="Tolerance"
          unit="%"
          min={0}
          max={20}
          value={circuit.tolerance * 100}
          onCommit={(percent) => set({ tolerance: percent / 100 })}
        />
        <NumberField
          label="Each resistor"
          unit="Ω"
          schema={fieldOf(circuitKindOf(circuit).schema, "resistorOhm")}
          value={circuit.resistorOhm}
          onCommit={(resistorOhm) => set({ resistorOhm })}
        />
        <NumberField
          label="Pull-down"
          unit="Ω"
          schema={fieldOf(circuitKindOf(circuit).schema, "pullDownOhm")}
          value={circuit.pullDownOhm}
          onCommit={(pullDownOhm) => set({ pullDownOhm })}
        />
      </Columns>
      {ladders.length > 0 && (
        <Values
          rows={[
            ["Banks", ladders.length],
            ["Margin of the narrowest window", `${(100 * margin).toFixed(2)} % of the supply`],
          ]}
        />
      )}
    </>
  );
}

/** Addresses as numbers with blanks between; what is missing counts on. */
function addressesIn(text: string): number[] | null {
  const numbers = text
    .split(/[\s,;]+/)
    .filter(Boolean)
    .map(Number);
  const isFine = numbers.every((n) => Number.isInteger(n) && n >= 0 && n < EXPANDER_ADDRESSES);
  return isFine && numbers.length <= EXPANDER_ADDRESSES ? numbers : null;
}

function ExpanderFields({ circuit, set }: { circuit: ExpanderCircuit; set: (change: object) => void }) {
  const design = useDesign();
  const count = derive(design).builtCircuits[design.circuits.indexOf(circuit)].chips.length;
  const shown = Array.from({ length: Math.max(count, 1) }, (_, nth) => addressOf(circuit, nth)).join(" ");
  return (
    <>
      <Columns>
        <BusChoice bus={circuit.bus} set={set} />
        <TextField
          label="Address of each"
          mono
          value={shown}
          check={(text) =>
            addressesIn(text) ? null : `Numbers from 0 to ${EXPANDER_ADDRESSES - 1}, one for each expander.`
          }
          onCommit={(text) => set({ addresses: addressesIn(text)! })}
        />
      </Columns>
      <Checkbox
        label="A line tells of changes (interrupt)"
        checked={circuit.interrupt}
        onChange={(interrupt) => set({ interrupt })}
      />
    </>
  );
}

/** Seven bits; the lowest and the highest eight are kept for other uses (I²C-bus specification). */
function readAddress(text: string): number | null {
  const address = /^[0-9a-f]{1,2}$/i.test(text.trim()) ? parseInt(text, 16) : 0;
  return address >= 0x08 && address <= 0x77 ? address : null;
}
