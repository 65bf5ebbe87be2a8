"use client";

import type { StickView, WiperView } from "@/core/analog/analogView";
import { useDesign } from "@/store/bench";
import { useAnalogView } from "@/store/circuitsAside";
import { Section } from "@/ui/pieces/sheets";
import { LadderSection } from "./LadderSection";
import { LeverSection } from "./LeverSection";
import { SmallTable } from "@/ui/pieces/SmallTable";
import { StickSection } from "./StickSection";
import { ohms } from "./words";

/** Voltages that are read: ladders, wipers, sticks. */
export function AnalogTab() {
  const { view, trouble } = useAnalogView(useDesign());
  if (!view) return <Section title="Analog">{trouble ?? "Adding up …"}</Section>;
  const { ladders, wipers, sticks, bits } = view;
  if (ladders.length + wipers.length + sticks.length === 0)
    return (
      <Section title="Analog">
        <div>
          Nothing is read as a voltage yet. Wire sticks and pots direct or through a multiplexer, or keys as a resistor
          ladder.
        </div>
      </Section>
    );
  return (
    <>
      {ladders.map((ladder) => (
        <LadderSection key={ladder.circuitId} ladder={ladder} />
      ))}
      {wipers.length > 0 && <WipersSection wipers={wipers} bits={bits} />}
      <LeverSection />
      {sticks.map((stick: StickView) => (
        <StickSection key={stick.controlId} stick={stick} bits={bits} />
      ))}
    </>
  );
}

function WipersSection({ wipers, bits }: { wipers: WiperView[]; bits: number }) {
  const levers = wipers.flatMap(({ label, travel }) => (travel ? [{ label, travel }] : []));
  return (
    <Section title={`Wipers on a converter of ${bits} bits`}>
      <SmallTable
        label="Source resistance of wipers"
        heads={["Wiper", "Has", "May have", "Off by"]}
        rows={wipers.map(({ label, sourceOhm, mostOhm, errorCounts }) => [
          label,
          ohms(sourceOhm),
          ohms(mostOhm),
          `${errorCounts.toFixed(2)} counts`,
        ])}
      />
      <div style={{ color: "var(--faint)", fontSize: 13 }}>
        With 100 nF at the pin the corner lies at {Math.min(...wipers.map(({ cornerHz }) => cornerHz)).toFixed(0)} Hz,
        and the sampling time does not matter.
      </div>
      {levers.length > 0 && (
        <SmallTable
          label="Levers"
          heads={["Lever", "Uses", "Counts a °", "Noise"]}
          rows={levers.map(({ label, travel }) => [
            label,
            `${(100 * travel.usedPart).toFixed(0)} %`,
            travel.countsPerDegree.toFixed(1),
            `${travel.noiseDegrees.toFixed(2)}°`,
          ])}
        />
      )}
    </Section>
  );
}
