"use client";

import { Box } from "@chakra-ui/react";
import {
  Bar,
  BarChart,
  Legend,
  Line,
  LineChart,
  ReferenceLine,
  ResponsiveContainer,
  Tooltip,
  XAxis,
  YAxis,
} from "recharts";
import { spanWords } from "@/core/assembly/time";
import { minutesWords, spendingWords } from "@/core/journal/entryWords";
import type { MoneyOutcome, TimeOutcome } from "@/core/journal/planAndReal";
import { counted } from "@/core/words";
import { useDesign } from "@/store/bench";
import { usePlanAndReal } from "@/store/planAndRealAside";
import { SmallTable } from "@/ui/pieces/SmallTable";
import { Section, Values } from "@/ui/pieces/sheets";
import { stageWords } from "./stageWords";

const PLANNED = "#56B4E9";
const REAL = "#D55E00";

/** What became of the plan: time and money, reckoned against real. */
export function PlanTab() {
  const design = useDesign();
  const { view, trouble } = usePlanAndReal(design);
  if (trouble) return <Section title="Plan and outcome">It could not be worked out: {trouble}</Section>;
  if (!view)
    return (
      <Section title="Plan and outcome">
        <div role="status">Working out what was reckoned …</div>
      </Section>
    );
  return (
    <>
      <TimeSection time={view.time} />
      <NotedSection noted={view.time.noted} />
      <MoneySection money={view.money} />
    </>
  );
}

function TimeSection({ time }: { time: TimeOutcome }) {
  const { planned, sorts, plannedOfTimed, real, timed, done, steps } = time;
  const timedSorts = sorts.filter((sort) => sort.timed > 0);
  const hours = (minutes: number) => Math.round(minutes / 6) / 10;
  const data = timedSorts.map((sort) => ({
    title: sort.title,
    reckoned: hours(sort.plannedOfTimed),
    took: hours(sort.real),
  }));
  return (
    <Section title="Time">
      <Values
        rows={[
          ["reckoned for all", steps === 0 ? "nothing to make" : spanWords(planned).replace("about ", "")],
          ["steps done", `${done} of ${steps}`],
          ["of them timed", timed],
          ["reckoned for those", minutesWords(plannedOfTimed)],
          ["they took", minutesWords(real)],
        ]}
      />
      {timed === 0 ? (
        <Box color="var(--faint)">
          Steps that are walked with the clock in Make are set against what was reckoned here.
        </Box>
      ) : (
        <>
          <Box fontWeight="700" role="status" aria-label="Time against plan">
            {Math.round((100 * real) / plannedOfTimed)} % of what was reckoned
          </Box>
          <Box height={`${38 * data.length + 60}px`} role="img" aria-label="Hours reckoned and taken by sort of work">
            <ResponsiveContainer>
              <BarChart data={data} layout="vertical" margin={{ left: 0, right: 28, top: 0, bottom: 0 }}>
                <XAxis type="number" unit=" h" tick={{ fill: "var(--faint)", fontSize: 12 }} />
                <YAxis
                  type="category"
                  dataKey="title"
                  width={120}
                  interval={0}
                  tick={{ fill: "var(--ink)", fontSize: 12 }}
                />
                <Tooltip formatter={(value) => `${String(value)} h`} />
                <Legend wrapperStyle={{ fontSize: 12 }} />
                <Bar dataKey="reckoned" fill={PLANNED} isAnimationActive={false} />
                <Bar dataKey="took" fill={REAL} isAnimationActive={false} />
              </BarChart>
            </ResponsiveContainer>
          </Box>
        </>
      )}
    </Section>
  );
}

function NotedSection({ noted }: { noted: TimeOutcome["noted"] }) {
  if (noted.length === 0) return null;
  return (
    <Section title="Time noted beside it">
      <SmallTable
        label="Time noted by stage"
        heads={["For", "Took"]}
        rows={noted.map(({ stage, minutes }) => [stage ? stageWords[stage] : "no stage", minutesWords(minutes)])}
      />
    </Section>
  );
}

function MoneySection({ money }: { money: MoneyOutcome }) {
  const { planned, devices, unpriced, real, by, growing } = money;
  const data = growing.map(({ at, sum }, nth) => ({ nth, day: at.slice(0, 10), spent: Math.round(100 * sum) / 100 }));
  return (
    <Section title="Money">
      <Values
        rows={[
          [`reckoned for ${counted(devices, "device")}`, planned.toFixed(2)],
          ["spent", real.toFixed(2)],
        ]}
      />
      {unpriced > 0 && (
        <Box color="var(--faint)">
          Of {counted(unpriced, "line")} of the parts list no price is known: the reckoning is too low by them.
        </Box>
      )}
      {growing.length === 0 ? (
        <Box color="var(--faint)">Money that you note in Entries is set against it here.</Box>
      ) : (
        <>
          <SmallTable
            label="Money by what it went to"
            heads={["For", "Spent"]}
            rows={by.map(({ spentOn, amount }) => [spendingWords[spentOn], amount.toFixed(2)])}
          />
          <Box height="170px" role="img" aria-label="Money spent over time against what was reckoned">
            <ResponsiveContainer>
              <LineChart data={data} margin={{ left: 0, right: 12, top: 16, bottom: 0 }}>
                <XAxis dataKey="day" tick={{ fill: "var(--faint)", fontSize: 11 }} />
                <YAxis width={48} tick={{ fill: "var(--faint)", fontSize: 12 }} />
                <Tooltip />
                <ReferenceLine
                  y={Math.round(100 * planned) / 100}
                  ifOverflow="extendDomain"
                  stroke={PLANNED}
                  strokeDasharray="5 3"
                  label={{ value: "reckoned", position: "insideTopLeft", fontSize: 12, fill: "var(--ink)" }}
                />
                <Line type="stepAfter" dataKey="spent" stroke={REAL} strokeWidth={2} isAnimationActive={false} />
              </LineChart>
            </ResponsiveContainer>
          </Box>
        </>
      )}
    </Section>
  );
}
