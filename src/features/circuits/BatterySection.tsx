"use client";

import { type Supply, batterySchema, supplySchema } from "@/core/document/supplySettings";
import type { Battery, Endurance, Measuring } from "@/core/power/battery";
import { cells } from "@/core/electrics/cells";
import { fieldOf } from "@/core/schemaLimits";
import { edit, useDesign } from "@/store/bench";
import { Checkbox, ChoiceField } from "@/ui/pieces/fields";
import { type NumberLine, NumberFields } from "@/ui/pieces/NumberFields";
import { Columns, Section, Values } from "@/ui/pieces/sheets";
import { SmallTable } from "@/ui/pieces/SmallTable";
import { setSupply } from "./setSupply";
import { ma, ohms, volts } from "./words";

const CELLS = Object.entries(cells).map(([value, { title }]) => ({ value, label: title }));

const PACK: NumberLine<"series" | "capacityMah" | "cutOffV">[] = [
  { key: "series", label: "Cells in a row", unit: "" },
  { key: "capacityMah", label: "Capacity", unit: "mAh" },
  { key: "cutOffV", label: "Off below, a cell", unit: "V" },
];
const DAY: NumberLine<"usedH" | "restH">[] = [
  { key: "usedH", label: "In use", unit: "h a day" },
  { key: "restH", label: "Awake at rest", unit: "h a day" },
];

const span = (hours: number) => (hours < 48 ? `${hours.toFixed(1)} h` : `${(hours / 24).toFixed(1)} days`);

/** The pack, how long it lasts, and how its charge is measured. */
interface BatteryProps {
  battery: Battery;
  lasts: Endurance;
  measuring: Measuring | null;
}

export function BatterySection({ battery, lasts, measuring }: BatteryProps) {
  const design = useDesign();
  const { day } = design.supply;
  const set = (what: string, change: Partial<Supply>) => edit(what, (d) => setSupply(d, change));
  return (
    <Section title="Battery">
      <ChoiceField
        label="Cells"
        value={battery.cell}
        choices={CELLS}
        onCommit={(value) => {
          const cell = value as Battery["cell"];
          set("cells of the battery", { source: { ...battery, cell, cutOffV: cells[cell].emptyV } });
        }}
      />
      <Columns>
        <NumberFields
          schema={batterySchema}
          lines={PACK}
          values={battery}
          onCommit={(key, value, { label }) => set(label.toLowerCase(), { source: { ...battery, [key]: value } })}
        />
        <NumberFields
          schema={fieldOf(supplySchema, "day")}
          lines={DAY}
          values={day}
          onCommit={(key, value, { label }) => set(label.toLowerCase(), { day: { ...day, [key]: value } })}
        />
      </Columns>
      <Values
        rows={[
          ["Mean over a day", ma(lasts.meanMa)],
          ["Charge until it is off", `${lasts.usableMah.toFixed(0)} mAh`],
          ["From charge to charge", `about ${span(24 * lasts.days)}`],
          ["Surely between", `${span(24 * lasts.leastDays)} and ${span(24 * lasts.mostDays)}`],
          ["Hours of use in that", `${lasts.usedH.toFixed(1)} h`],
        ]}
      />
      <MeasuringPart found={measuring} />
      {battery.cell === "lithium-ion" && (
        <div role="note">
          Lithium cells burn when they are shorted, pierced, crushed, overcharged or charged with the wrong polarity.
          Take a pack with protection and a charger made for it, check plus and minus with a meter before plugging it
          in, and keep to local rules for carrying and discarding it.
        </div>
      )}
    </Section>
  );
}

function MeasuringPart({ found }: { found: Measuring | null }) {
  const design = useDesign();
  const { measured } = design.supply;
  if (!found) return <div>No divider of the E24 series suits this pack and converter.</div>;
  const { topOhm, bottomOhm, drainMa, pinV, sourceOhm, table } = found;
  return (
    <>
      <Checkbox
        label="A pin measures the pack through a divider"
        checked={measured !== null}
        onChange={(on) =>
          edit("measure the battery", (d) => setSupply(d, { measured: on ? { topOhm, bottomOhm } : null }))
        }
      />
      <Values
        rows={[
          [`${measured ? "" : "Proposed: "}${ohms(topOhm)} over ${ohms(bottomOhm)}`, `${volts(pinV)} at most`],
          ["Drains for good", ma(drainMa)],
          ["Source resistance, 100 nF at the pin", ohms(sourceOhm)],
        ]}
      />
      <details>
        <summary>Counts of the converter by what is left</summary>
        <SmallTable
          label="Counts by charge"
          heads={["Left", "Pack", "Counts"]}
          rows={table.map(({ percent, volts: pack, counts }) => [`${percent} %`, volts(pack), counts])}
        />
      </details>
    </>
  );
}
