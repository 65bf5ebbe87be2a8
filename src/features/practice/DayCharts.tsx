"use client";

import { Box } from "@chakra-ui/react";
import { Bar, BarChart, Line, LineChart, ResponsiveContainer, Tooltip, XAxis, YAxis } from "recharts";
import { useMemo, useState } from "react";
import { type PracticeDay, errorShare, meanMs, signDays } from "@/core/practice/history";
import { fingersOf } from "@/core/reach/reach";
import { useDesign } from "@/store/bench";
import { ChoiceField } from "@/ui/pieces/fields";
import { type History, offsetOf, useHistory } from "./useHistory";
import { usePracticeOf } from "./usePracticeOf";

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
          <OneOverDays history={history} />
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
  return (
    <LineOf title={title} data={days.map((day) => ({ day: day.day.slice(5), value: value(day) }))} colour={colour} />
  );
}

interface LineOfProps {
  title: string;
  data: { day: string; value: number | null }[];
  colour: string;
}

function LineOf({ title, data, colour }: LineOfProps) {
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

/** Errors and times of one finger, or of one sign, from day to day. */
function OneOverDays({ history: { runs, signs } }: { history: History }) {
  const design = useDesign();
  const practice = usePracticeOf();
  const [chosen, choose] = useState("");
  const fingerOf = useMemo(() => {
    const fingers = fingersOf(design);
    return (sign: string) => fingers.get(practice?.ways.get(sign)?.controlId ?? "");
  }, [design, practice]);
  const fingers = [...new Set([...signs.keys()].flatMap((sign) => fingerOf(sign) ?? []))];
  const inOrder = [...signs.keys()].sort();
  const first = chosen !== "" ? chosen : fingers.length > 0 ? `finger ${fingers[0]}` : `sign ${inOrder[0]}`;
  const isOfIt = (sign: string) => first === `sign ${sign}` || first === `finger ${fingerOf(sign)}`;
  const days = signDays(runs, offsetOf, isOfIt);
  const data = (value: (day: (typeof days)[number]) => number | null) =>
    days.map((day) => ({ day: day.day.slice(5), value: value(day) }));
  const name = first.replace(/^(finger|sign) /, "").replace(/^ $/, "space");
  return (
    <>
      <Box gridColumn="1 / -1" width="220px">
        <ChoiceField
          label="From day to day, of"
          value={first}
          choices={[
            ...fingers.map((finger) => ({ value: `finger ${finger}`, label: `the ${finger}` })),
            ...inOrder.map((sign) => ({ value: `sign ${sign}`, label: sign === " " ? "space" : sign })),
          ]}
          onCommit={choose}
        />
      </Box>
      <LineOf title={`Wrong by day, ${name}, %`} data={data(({ wrong }) => round(100 * wrong, 1))} colour="#D55E00" />
      <LineOf title={`ms by day, ${name}`} data={data(({ ms }) => round(ms, 0))} colour="#0072B2" />
    </>
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
