"use client";

import { later } from "@/ui/pieces/later";
import type { ReactNode } from "react";
import type { BusDisplays } from "@/core/circuits/busDisplays";
import type { Delay } from "@/core/timing/latency";
import type { TimingView } from "@/core/timing/timingView";
import { useDesign } from "@/store/bench";
import { useTimingView } from "@/store/circuitsAside";
import { Section, Values } from "@/ui/pieces/sheets";
import { DisplaysSection } from "./DisplaysSection";
import { InterpreterCosts } from "./InterpreterCosts";
import { MillisecondStrip } from "./MillisecondStrip";
import { SmallTable } from "@/ui/pieces/SmallTable";

/** Charts come when there is something to draw. */
const QueueSection = later(() => import("./QueueSection").then((m) => m.QueueSection));

const us = (value: number) => `${value.toFixed(value < 100 ? 1 : 0)} µs`;
const ms = (value: number) => `${value.toFixed(2)} ms`;

/** What the controller does with its time, and what follows for knobs and presses. */
export function TimeTab() {
  const design = useDesign();
  const { view, trouble } = useTimingView(design);
  if (!view) return <Section title="Time">{trouble ?? "Adding up …"}</Section>;
  return (
    <>
      <ScanSection view={view} />
      {view.knobs.length > 0 && <KnobsSection view={view} />}
      <LatencySection title="Press to report, compiled" delays={view.latency.compiled} />
      {view.latency.interpreted && (
        <LatencySection
          title={`Press to report, in Python (${view.latency.interpreted.measured ? "as measured" : "from memory"})`}
          delays={view.latency.interpreted.delays}
        >
          <InterpreterCosts />
        </LatencySection>
      )}
      {design.circuits
        .filter((circuit): circuit is BusDisplays => circuit.kind === "bus-displays")
        .map((circuit) => (
          <DisplaysSection key={circuit.id} circuit={circuit} />
        ))}
      {view.lines.map((line) => (
        <QueueSection key={line.circuitId} line={line} />
      ))}
    </>
  );
}

function ScanSection({ view: { millisecond } }: { view: TimingView }) {
  const { shares, scanUs, worstUs, meanUs, gapUs } = millisecond;
  return (
    <Section title="One millisecond">
      <MillisecondStrip millisecond={millisecond} />
      <SmallTable
        label="What a scan is made of"
        heads={["What", "Takes", "A second"]}
        rows={shares.map(({ what, us: taken, perSecond }) => [what, us(taken), perSecond.toFixed(0)])}
      />
      <Values
        rows={[
          ["In every scan", us(scanUs)],
          ["With all that may come in the same one", us(worstUs)],
          ["On an average", us(meanUs)],
          ["Longest between two readings", us(gapUs)],
          ["Left of a millisecond then", worstUs > 1000 ? `nothing, ${us(worstUs - 1000)} late` : us(1000 - worstUs)],
        ]}
      />
    </Section>
  );
}

function KnobsSection({ view: { knobs, wishedTurns } }: { view: TimingView }) {
  return (
    <Section title={`Knobs, turns a second (wished: ${wishedTurns})`}>
      <SmallTable
        label="Turns a second up to which no step is lost"
        heads={["Knob", "Always", "Nothing sent", "Python"]}
        rows={knobs.map(({ label, isTold, turns, quietTurns, interpretedTurns }) => [
          `${label}, ${isTold ? "by interrupt" : "read in turn"}`,
          <span key="turns" style={{ color: turns < wishedTurns ? "var(--warn)" : undefined }}>
            {turns.toFixed(1)}
          </span>,
          quietTurns.toFixed(1),
          interpretedTurns?.toFixed(1) ?? "–",
        ])}
      />
    </Section>
  );
}

function LatencySection({ title, delays, children }: { title: string; delays: Delay[]; children?: ReactNode }) {
  return (
    <Section title={title}>
      <SmallTable
        label={title}
        heads={["Part", "Best", "Mean", "Worst"]}
        rows={delays.map(({ what, best, mean, worst }) => [what, ms(best), ms(mean), ms(worst)])}
      />
      {children}
    </Section>
  );
}
