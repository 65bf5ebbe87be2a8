"use client";

import { Box } from "@chakra-ui/react";
import { useState } from "react";
import { CartesianGrid, Legend, Line, LineChart, ResponsiveContainer, Tooltip, XAxis, YAxis } from "recharts";
import { type LossByRate, askings } from "@/core/timing/interruptQueue";
import type { SharedLine } from "@/core/timing/timingView";
import { planning } from "@/workers/planning";
import { StepButton } from "@/ui/pieces/buttons";
import { NumberField } from "@/ui/pieces/fields";
import { Columns, Row, Section } from "@/ui/pieces/sheets";
import { SmallTable } from "@/ui/pieces/SmallTable";

const RATES = [1, 5, 10, 20, 40, 60, 80, 100, 150, 200, 300, 400];
const SECONDS = 30;
const SEED = 1;
const COLOURS = ["#D55E00", "#E69F00", "#009E73", "#0072B2"];
const DASHES = ["", "6 3", "2 2", "8 2 2 2"];

/** Modules on one interrupt line played through: which share of events is lost, by their rate. */
export function QueueSection({ line }: { line: SharedLine }) {
  const isParts = line.looksUs !== undefined;
  const [askUs, setAskUs] = useState(line.askUs);
  const [pollMs, setPollMs] = useState(5);
  const [found, setFound] = useState<LossByRate | null>(null);
  const [isBusy, setBusy] = useState(false);
  const play = async () => {
    setBusy(true);
    const parts = isParts ? { looksUs: line.looksUs!, untilLetGo: true } : {};
    const spec = { modules: line.modules, askUs, keeps: 1, pollUs: 1000 * pollMs, ...parts };
    setFound(await planning().lossByRate(spec, RATES, SEED, SECONDS));
    setBusy(false);
  };
  return (
    <Section
      title={isParts ? `Modules: ${line.modules} on the bus` : `${line.name}: ${line.modules} on one interrupt line`}
    >
      {isParts && (
        <Box fontSize="13px" color="var(--faint)">
          The base asks one in each millisecond. Nothing is lost: what happens on a module before it was asked is told
          together with what happened first. How often, by the rate and by the lines on which they call:
        </Box>
      )}
      <Columns>
        {!isParts && (
          <NumberField label="Asking one takes" unit="µs" min={1} max={100_000} value={askUs} onCommit={setAskUs} />
        )}
        <NumberField label="Polled every" unit="ms" min={0.1} max={1000} value={pollMs} onCommit={setPollMs} />
      </Columns>
      <Row>
        <StepButton disabled={isBusy} onClick={() => void play()}>
          {isBusy ? "Playing …" : "Play it through"}
        </StepButton>
      </Row>
      {found && <LossChart found={found} isParts={isParts} />}
    </Section>
  );
}

const LOST = { chart: "Share of events lost by their rate", table: "Rates up to which hardly any event is lost" };
const TOGETHER = {
  chart: "Share of events told together with one before, by their rate",
  table: "Rates up to which hardly any event is told together with one before",
};

function LossChart({ found: { lines, sure }, isParts }: { found: LossByRate; isParts: boolean }) {
  const words = isParts ? TOGETHER : LOST;
  const data = RATES.map((perSecond, nth) => ({
    perSecond,
    ...Object.fromEntries(lines.map(({ asking, points }) => [asking, 100 * points[nth].lostPart])),
  }));
  return (
    <>
      <div style={{ height: 210 }} role="img" aria-label={words.chart}>
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
        label={words.table}
        heads={["Told by", "Sure up to"]}
        rows={sure.map(({ asking, sureUpTo }) => [
          asking,
          sureUpTo === 0 ? "below 1 a second" : `${sureUpTo} a second`,
        ])}
      />
    </>
  );
}
