"use client";

import { type Source, type Supply, outsideSourceSchema, supplySchema } from "@/core/document/supplySettings";
import { fieldOf } from "@/core/schemaLimits";
import { edit, useDesign } from "@/store/bench";
import { Checkbox, ChoiceField } from "@/ui/pieces/fields";
import { type NumberLine, NumberFields } from "@/ui/pieces/NumberFields";
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

const OUTSIDE: NumberLine<"volts" | "limitMa">[] = [
  { key: "volts", label: "Voltage", unit: "V" },
  { key: "limitMa", label: "Gives at most", unit: "mA" },
];
const CABLE: NumberLine<"lengthM" | "mm2">[] = [
  { key: "lengthM", label: "Cable", unit: "m" },
  { key: "mm2", label: "Its supply wires", unit: "mm²" },
];
const FUSE: NumberLine<"holdMa" | "ohm">[] = [
  { key: "holdMa", label: "Surely lets through", unit: "mA" },
  { key: "ohm", label: "Its resistance", unit: "Ω" },
];

const set = (what: string, change: Partial<Supply>) => edit(what, (d) => setSupply(d, change));

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
        onCommit={(key) => set("source of the current", { source: FRESH[key], measured: null })}
      />
      {source.kind === "outside" && (
        <Columns>
          <NumberFields
            schema={outsideSourceSchema}
            lines={OUTSIDE}
            values={source}
            onCommit={(key, value) => set("source of the current", { source: { ...source, [key]: value } })}
          />
        </Columns>
      )}
      <Columns>
        <NumberFields
          schema={fieldOf(supplySchema, "cable")}
          lines={CABLE}
          values={cable}
          onCommit={(key, value) => set("cable", { cable: { ...cable, [key]: value } })}
        />
      </Columns>
      <ChoiceField
        label="Diode in series"
        value={diode}
        choices={DIODES}
        onCommit={(value) => set("diode in series", { diode: value as Supply["diode"] })}
      />
      <Checkbox
        label="A resettable fuse in series"
        checked={fuse !== null}
        onChange={(on) => set("fuse", { fuse: on ? { holdMa: 500, ohm: 0.3 } : null })}
      />
      {fuse && (
        <Columns>
          <NumberFields
            schema={fieldOf(supplySchema, "fuse")}
            lines={FUSE}
            values={fuse}
            onCommit={(key, value) => set("fuse", { fuse: { ...fuse, [key]: value } })}
          />
        </Columns>
      )}
    </Section>
  );
}
