"use client";

import { Box } from "@chakra-ui/react";
import { Bar, BarChart, Line, LineChart, ResponsiveContainer, Tooltip, XAxis, YAxis } from "recharts";
import { type PracticeDay, errorShare, meanMs } from "@/core/practice/history";
import { useHistory } from "./useHistory";

const tick = { fill: "var(--faint)", fontSize: 12 };
const MOST_SIGNS = 26;

const round = (value: number | null, places: number) => (value === null ? null : Number(value.toFixed(places)));

/** Speed and errors by day, and by sign. */
export function DayCharts() {
  const history = useHistory();
  if (!history || history.runs.length === 0)
    return <Box padding="16px">Charts of speed and errors by day stand here after the first bout.</Box>;
  const { days, signs } = history;
  const bySign = [...signs]
    .map(([sign, tally]) => ({
      sign: sign === " " ? "␣" : sign,
      wrong: round(100 * errorShare(tally), 1),
      ms: round(meanMs(tally), 0),
    }))
    .sort((a, b) => (b.ms ?? 0) - (a.ms ?? 0))
    .slice(0, MOST_SIGNS);
  const typed = days.filter(({ wordsPerMinute }) => wordsPerMinute !== null);
  const pressed = days.filter(({ pressMs }) => pressMs !== null);
  return (
    <Box padding="10px 14px" display="grid" gridTemplateColumns="1fr 1fr" gap="14px">
      {typed.length > 0 && (
        <>
          <DayChart
            title="Words a minute by day"
            days={typed}
            value={(day) => round(day.wordsPerMinute, 1)}
            colour="#0072B2"
          />
          <DayChart
            title="Errors in all by day, %"
            days={typed}
            value={(day) => round(100 * (day.totalErrors ?? 0), 1)}
            colour="#D55E00"
          />
        </>
      )}
      {pressed.length > 0 && (
        <>
          <DayChart
            title="ms to the named part by day"
            days={pressed}
            value={(day) => round(day.pressMs, 0)}
            colour="#0072B2"
          />
          <DayChart
            title="Another came first by day, %"
            days={pressed}
            value={(day) => round(100 * (day.pressErrors ?? 0), 1)}
            colour="#D55E00"
          />
        </>
      )}
      {bySign.length > 0 && (
        <>
          <SignChart title="ms by sign, the slowest first" data={bySign} field="ms" colour="#0072B2" />
          <SignChart title="Wrong by sign, %" data={bySign} field="wrong" colour="#D55E00" />
        </>
      )}
    </Box>
  );
}

interface DayChartProps {
  title: string;
  days: PracticeDay[];
  value: (day: PracticeDay) => number | null;
  colour: string;
}

function DayChart({ title, days, value, colour }: DayChartProps) {
  const data = days.map((day) => ({ day: day.day.slice(5), value: value(day) }));
  return (
    <Chart title={title} words={data.map(({ day, value: own }) => `${day}: ${own}`).join(", ")}>
      <LineChart data={data} margin={{ left: 0, right: 10, top: 8, bottom: 0 }}>
        <XAxis dataKey="day" tick={tick} />
        <YAxis width={40} tick={tick} domain={[0, "auto"]} />
        <Tooltip />
        <Line dataKey="value" name={title} stroke={colour} strokeWidth={2} isAnimationActive={false} />
      </LineChart>
    </Chart>
  );
}

interface SignChartProps {
  title: string;
  data: { sign: string; wrong: number | null; ms: number | null }[];
  field: "wrong" | "ms";
  colour: string;
}

function SignChart({ title, data, field, colour }: SignChartProps) {
  return (
    <Chart title={title} words={data.map((one) => `${one.sign}: ${one[field]}`).join(", ")}>
      <BarChart data={data} margin={{ left: 0, right: 10, top: 8, bottom: 0 }}>
        <XAxis dataKey="sign" tick={{ ...tick, fill: "var(--ink)" }} interval={0} />
        <YAxis width={40} tick={tick} />
        <Tooltip />
        <Bar dataKey={field} name={title} fill={colour} isAnimationActive={false} />
      </BarChart>
    </Chart>
  );
}

function Chart({ title, words, children }: { title: string; words: string; children: React.ReactElement }) {
  return (
    <div>
      <Box fontWeight="600" fontSize="13px">
        {title}
      </Box>
      <Box height="150px" role="img" aria-label={`${title}. ${words}`}>
        <ResponsiveContainer>{children}</ResponsiveContainer>
      </Box>
    </div>
  );
}
