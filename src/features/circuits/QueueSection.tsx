"use client";

import { useState } from "react";
import { CartesianGrid, Legend, Line, LineChart, ResponsiveContainer, Tooltip, XAxis, YAxis } from "recharts";
import { type LossByRate, askings } from "@/core/timing/interruptQueue";
import type { SharedLine } from "@/core/timing/timingView";
import { planning } from "@/workers/planning";
import { StepButton } from "@/ui/pieces/buttons";
import { NumberField } from "@/ui/pieces/fields";
import { Columns, Row, Section } from "@/ui/pieces/sheets";
import { SmallTable } from "./SmallTable";

const RATES = [1, 5, 10, 20, 40, 60, 80, 100, 150, 200, 300, 400];
const SECONDS = 30;
const SEED = 1;
const COLOURS = ["#D55E00", "#E69F00", "#009E73", "#0072B2"];
const DASHES = ["", "6 3", "2 2", "8 2 2 2"];

/** Modules on one interrupt line played through: which share of events is lost, by their rate. */
export function QueueSection({ line }: { line: SharedLine }) {
  const [askUs, setAskUs] = useState(line.askUs);
  const [pollMs, setPollMs] = useState(5);
  const [found, setFound] = useState<LossByRate | null>(null);
  const [isBusy, setBusy] = useState(false);
  const play = async () => {
    setBusy(true);
    const spec = { modules: line.modules, askUs, keeps: 1, pollUs: 1000 * pollMs };
    setFound(await planning().lossByRate(spec, RATES, SEED, SECONDS));
    setBusy(false);
  };
  return (
    <Section title={`${line.name}: ${line.modules} on one interrupt line`}>
      <Columns>
        <NumberField label="Asking one takes" unit="µs" min={1} max={100_000} value={askUs} onCommit={setAskUs} />
        <NumberField label="Polled every" unit="ms" min={0.1} max={1000} value={pollMs} onCommit={setPollMs} />
      </Columns>
      <Row>
        <StepButton disabled={isBusy} onClick={() => void play()}>
          {isBusy ? "Playing …" : "Play it through"}
        </StepButton>
      </Row>
      {found && <LossChart found={found} />}
    </Section>
  );
}

function LossChart({ found: { lines, sure } }: { found: LossByRate }) {
  const data = RATES.map((perSecond, nth) => ({
    perSecond,
    ...Object.fromEntries(lines.map(({ asking, points }) => [asking, 100 * points[nth].lostPart])),
  }));
  return (
    <>
      <div style={{ height: 210 }} role="img" aria-label="Share of events lost by their rate">
        <ResponsiveContainer>
          <LineChart data={data} margin={{ top: 8, right: 8, bottom: 18, left: 0 }}>
            <CartesianGrid stroke="var(--edge)" />
            <XAxis
              dataKey="perSecond"
              type="number"
              fontSize={12}
              label={{ value: "events of a module, a second", position: "insideBottom", offset: -10, fontSize: 12 }}
            />
            <YAxis width={42} fontSize={12} unit=" %" />
            <Tooltip
              formatter={(value) => `${Number(value).toFixed(2)} %`}
              labelFormatter={(rate) => `${rate} a second`}
            />
            <Legend verticalAlign="top" wrapperStyle={{ fontSize: 12 }} />
            {askings.map((asking, nth) => (
              <Line
                key={asking}
                dataKey={asking}
                stroke={COLOURS[nth]}
                strokeDasharray={DASHES[nth]}
                dot={false}
                isAnimationActive={false}
              />
            ))}
          </LineChart>
        </ResponsiveContainer>
      </div>
      <SmallTable
        label="Rates up to which hardly any event is lost"
        heads={["Told by", "Sure up to"]}
        rows={sure.map(({ asking, sureUpTo }) => [
          asking,
          sureUpTo === 0 ? "below 1 a second" : `${sureUpTo} a second`,
        ])}
      />
    </>
  );
}
