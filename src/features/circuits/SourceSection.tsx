"use client";

import { type Source, type Supply, outsideSourceSchema, supplySchema } from "@/core/document/supplySettings";
import { fieldOf } from "@/core/schemaLimits";
import { edit, useDesign } from "@/store/bench";
import { Checkbox, ChoiceField, NumberField } from "@/ui/pieces/fields";
import { Columns, Section } from "@/ui/pieces/sheets";
import { setSupply } from "./setSupply";

const SOURCES = [
  { value: "usb-2", label: "USB 2.0 port, 500 mA" },
  { value: "usb-c 500", label: "USB-C port, its default" },
  { value: "usb-c 1500", label: "USB-C port that says 1.5 A" },
  { value: "usb-c 3000", label: "USB-C port that says 3 A" },
  { value: "outside", label: "outside supply" },
  { value: "battery", label: "battery pack" },
];

const FRESH: Record<string, Source> = {
  "usb-2": { kind: "usb-2" },
  "usb-c 500": { kind: "usb-c", advertisedMa: 500 },
  "usb-c 1500": { kind: "usb-c", advertisedMa: 1500 },
  "usb-c 3000": { kind: "usb-c", advertisedMa: 3000 },
  outside: { kind: "outside", volts: 5, limitMa: 2000 },
  battery: { kind: "battery", cell: "lithium-ion", series: 1, capacityMah: 2000, cutOffV: 3.3 },
};

const keyOf = (source: Source) => (source.kind === "usb-c" ? `usb-c ${source.advertisedMa}` : source.kind);

const DIODES = [
  { value: "none", label: "none" },
  { value: "schottky", label: "Schottky, about 0.35 V" },
  { value: "silicon", label: "silicon, about 0.85 V" },
];

/** The source, and what stands in series with it. */
export function SourceSection() {
  const { supply } = useDesign();
  const { source, cable, fuse, diode } = supply;
  return (
    <Section title="Source">
      <ChoiceField
        label="Comes from"
        value={keyOf(source)}
        choices={SOURCES}
        onCommit={(key) => edit("source of the current", (d) => setSupply(d, { source: FRESH[key], measured: null }))}
      />
      {source.kind === "outside" && (
        <Columns>
          <NumberField
            label="Voltage"
            unit="V"
            schema={fieldOf(outsideSourceSchema, "volts")}
            value={source.volts}
            onCommit={(volts) => edit("voltage of the source", (d) => setSupply(d, { source: { ...source, volts } }))}
          />
          <NumberField
            label="Gives at most"
            unit="mA"
            schema={fieldOf(outsideSourceSchema, "limitMa")}
            value={source.limitMa}
            onCommit={(limitMa) => edit("limit of the source", (d) => setSupply(d, { source: { ...source, limitMa } }))}
          />
        </Columns>
      )}
      <Columns>
        <NumberField
          label="Cable"
          unit="m"
          schema={fieldOf(supplySchema, "cable", "lengthM")}
          value={cable.lengthM}
          onCommit={(lengthM) => edit("length of the cable", (d) => setSupply(d, { cable: { ...cable, lengthM } }))}
        />
        <NumberField
          label="Its supply wires"
          unit="mm²"
          schema={fieldOf(supplySchema, "cable", "mm2")}
          value={cable.mm2}
          onCommit={(mm2) => edit("wires of the cable", (d) => setSupply(d, { cable: { ...cable, mm2 } }))}
        />
      </Columns>
      <ChoiceField
        label="Diode in series"
        value={diode}
        choices={DIODES}
        onCommit={(value) => edit("diode in series", (d) => setSupply(d, { diode: value as Supply["diode"] }))}
      />
      <Checkbox
        label="A resettable fuse in series"
        checked={fuse !== null}
        onChange={(on) => edit("fuse", (d) => setSupply(d, { fuse: on ? { holdMa: 500, ohm: 0.3 } : null }))}
      />
      {fuse && (
        <Columns>
          <NumberField
            label="Surely lets through"
            unit="mA"
            schema={fieldOf(supplySchema, "fuse", "holdMa")}
            value={fuse.holdMa}
            onCommit={(holdMa) => edit("fuse", (d) => setSupply(d, { fuse: { ...fuse, holdMa } }))}
          />
          <NumberField
            label="Its resistance"
            unit="Ω"
            schema={fieldOf(supplySchema, "fuse", "ohm")}
            value={fuse.ohm}
            onCommit={(ohm) => edit("fuse", (d) => setSupply(d, { fuse: { ...fuse, ohm } }))}
          />
        </Columns>
      )}
    </Section>
  );
}
