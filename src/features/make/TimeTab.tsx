"use client";

import { Box } from "@chakra-ui/react";
import { useState } from "react";
import { Bar, BarChart, ResponsiveContainer, Tooltip, XAxis, YAxis } from "recharts";
import { USUAL_LEARNING, paceOf } from "@/core/assembly/pace";
import { hoursBySort, sittingsOf, spanWords, totalSpan } from "@/core/assembly/time";
import { counted } from "@/core/words";
import { usePaceLog } from "@/store/paceLog";
import { NumberField } from "@/ui/pieces/fields";
import { Columns, Section } from "@/ui/pieces/sheets";
import { SmallTable } from "@/ui/pieces/SmallTable";
import { PaceSection } from "./PaceSection";
import { SavingsSection } from "./SavingsSection";
import { SITTING_MIN } from "./StepsTab";
import { type Making, useMaking } from "./useMaking";

const hours = (minutes: number) => `${(minutes / 60).toFixed(1)} h`;

/** How long it takes, the first time and later, where the hours go, and what would save some. */
export function TimeTab() {
  const making = useMaking();
  if (!making) return <Section title="Time">Working out what there is to do …</Section>;
  return (
    <>
      <Expected making={making} />
      <WhereSection making={making} />
      <SavingsSection making={making} />
      <PaceSection />
    </>
  );
}

const DEVICES = [1, 2, 5, 30];

function Expected({ making: { steps, wish } }: { making: Making }) {
  const entries = usePaceLog((state) => state.entries) ?? [];
  const [learningPercent, setLearning] = useState(100 * USUAL_LEARNING);
  const [sittingHours, setSitting] = useState(SITTING_MIN / 60);
  const learning = learningPercent / 100;
  const pace = paceOf(entries, learning);
  const span = (device: number) => totalSpan(steps, { pace, device, learning });
  const sittings = sittingsOf(steps, 60 * sittingHours, wish).length;
  return (
    <Section title="Before you start">
      <Box fontSize="16px" fontWeight="700" role="status" aria-label="Expected time">
        {spanWords(span(1))} over {counted(sittings, "sitting")}
      </Box>
      <SmallTable
        label="Hours by device"
        heads={["Device", "one in ten under", "half", "one in ten over"]}
        rows={DEVICES.map((device) => {
          const { low, middle, high } = span(device);
          return [device === 1 ? "first" : `${device}.`, hours(low), hours(middle), hours(high)];
        })}
      />
      <Columns>
        <NumberField label="A sitting" unit="h" min={0.25} max={24} value={sittingHours} onCommit={setSitting} />
        <NumberField
          label="Each doubling takes"
          unit="%"
          min={10}
          max={100}
          value={learningPercent}
          onCommit={setLearning}
        />
      </Columns>
      <Box color="var(--faint)">
        Of the time of one, with each doubling of how many were made: 80 % is the usual figure for assembly (Wright,
        1936, from memory). A first board of 68 keys that took 10 hours and a second one that took 2 (common practice)
        would be 20 %.
      </Box>
    </Section>
  );
}

function WhereSection({ making: { steps, wish } }: { making: Making }) {
  const sorts = hoursBySort(steps, wish).map(({ title, minutes }) => ({ title, hours: Math.round(minutes / 6) / 10 }));
  return (
    <Section title="Where the hours go">
      <Box height={`${26 * sorts.length + 34}px`} role="img" aria-label="Hours by sort of work">
        <ResponsiveContainer>
          <BarChart data={sorts} layout="vertical" margin={{ left: 0, right: 24, top: 0, bottom: 0 }}>
            <XAxis type="number" unit=" h" tick={{ fill: "var(--faint)", fontSize: 12 }} />
            <YAxis
              type="category"
              dataKey="title"
              width={150}
              interval={0}
              tick={{ fill: "var(--ink)", fontSize: 12 }}
            />
            <Tooltip formatter={(value) => `${String(value)} h`} />
            <Bar
              dataKey="hours"
              fill="#0072B2"
              isAnimationActive={false}
              label={{ position: "right", fontSize: 12, fill: "var(--ink)" }}
            />
          </BarChart>
        </ResponsiveContainer>
      </Box>
    </Section>
  );
}
