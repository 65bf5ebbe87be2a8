"use client";

import { Box } from "@chakra-ui/react";
import { Trash2 } from "lucide-react";
import { settlesMs, toldPercent } from "@/core/analog/axisCourse";
import type { Control } from "@/core/catalogue/kinds";
import type { Element } from "@/core/catalogue/kinds/controlKind";
import { type AxisSettings, axisOf, axisSchema, trackUseOf } from "@/core/document/axes";
import { setAxis } from "@/core/edits/axes";
import { scanTableOf } from "@/core/firmware/scanTable";
import { edit, useDesign } from "@/store/bench";
import { IconButton, PlainButton } from "@/ui/pieces/buttons";
import { Checkbox, ChoiceField, NumberField } from "@/ui/pieces/fields";
import { type NumberLine, NumberFields } from "@/ui/pieces/NumberFields";
import { later } from "@/ui/pieces/later";
import { Columns, Row } from "@/ui/pieces/sheets";

/** It talks with a device, which few have at hand. */
const MeasureAxis = later(() => import("./MeasureAxis").then((m) => m.MeasureAxis));

type NumberKey = "lowest" | "centre" | "highest" | "still" | "dead" | "keyOn" | "keyOff";
const LINES: Record<NumberKey, NumberLine<NumberKey>> = {
  lowest: { key: "lowest", label: "Low end", unit: "% of track", decimals: 1 },
  centre: { key: "centre", label: "Rests at", unit: "% of track", decimals: 1 },
  highest: { key: "highest", label: "High end", unit: "% of track", decimals: 1 },
  still: { key: "still", label: "Still within", unit: "% of track", decimals: 2 },
  dead: { key: "dead", label: "Dead zone", unit: "% of way", decimals: 1 },
  keyOn: { key: "keyOn", label: "Presses keys from", unit: "% of way", decimals: 1 },
  keyOff: { key: "keyOff", label: "Lets go beneath", unit: "% of way", decimals: 1 },
};

/** How a voltage becomes a place: ends, rest, dead zone, smoothing, curve, and from where on it presses keys. */
export function AxisFields({ wiper, control }: { wiper: Element; control: Control }) {
  const design = useDesign();
  const axis = axisOf(design.keymap.axes, control, wiper);
  const isOwn = design.keymap.axes !== undefined && Object.hasOwn(design.keymap.axes, wiper.id);
  const change = (next: Partial<AxisSettings>) =>
    edit(`how ${wiper.label} is read`, (d) => setAxis(d, wiper.id, { ...axis, ...next }));
  const numbers = (...keys: NumberKey[]) => (
    <Columns>
      <NumberFields
        schema={axisSchema}
        lines={keys.map((key) => LINES[key])}
        values={axis}
        onCommit={(key, value) => change({ [key]: value })}
      />
    </Columns>
  );
  const isBoth = axis.sides === "both";
  return (
    <>
      <ChoiceField
        label="It rests"
        value={axis.sides}
        choices={[
          { value: "both", label: "in the middle, and goes to both sides" },
          { value: "one", label: "at its low end" },
        ]}
        onCommit={(sides) => change({ sides: sides as AxisSettings["sides"] })}
      />
      {numbers("lowest", ...(isBoth ? (["centre"] as const) : []), "highest")}
      <TrackNote control={control} wiper={wiper} />
      <MeasureAxis wiper={wiper} axis={axis} onMeasured={change} />
      <Checkbox label="The other way round" checked={axis.turned} onChange={(turned) => change({ turned })} />
      {numbers("dead", "still")}
      {control.kind === "stick" && wiper.end !== "z" && isBoth && (
        <ChoiceField
          label="The dead zone lies"
          value={axis.deadAround}
          choices={[
            { value: "stick", label: "around both axes together" },
            { value: "axis", label: "along each axis by itself" },
          ]}
          onCommit={(deadAround) => change({ deadAround: deadAround as AxisSettings["deadAround"] })}
        />
      )}
      <SmoothField axis={axis} onSmooth={(smooth) => change({ smooth })} />
      <CurveFields axis={axis} onCurve={(curve) => change({ curve })} />
      {numbers("keyOn", "keyOff")}
      <Box fontSize="13px" color="var(--faint)">
        What it presses there is bound above like any key: choose its {isBoth ? "high or low end" : "high end"}.
      </Box>
      {isOwn && (
        <Row>
          <PlainButton onClick={() => edit(`${wiper.label} as usual`, (d) => setAxis(d, wiper.id, null))}>
            Read it as usual
          </PlainButton>
        </Row>
      )}
    </>
  );
}

/** What the part itself can do. */
function TrackNote({ control, wiper }: { control: Control; wiper: Element }) {
  const track = trackUseOf(control, wiper.end);
  if (!track) return null;
  const percent = (value: number) => `${Math.round(value * 10) / 10} %`;
  return (
    <Box fontSize="13px" color="var(--faint)">
      By its part it goes from {percent(track.lowest)} to {percent(track.highest)} of its track
      {control.kind === "stick" ? ` and rests at ${percent(track.rest)}` : ""}. Measure yours, and type what you read.
    </Box>
  );
}

const SMOOTHED = ["every reading as it is", "a half", "a quarter", "an eighth", "a sixteenth"];

function SmoothField({ axis, onSmooth }: { axis: AxisSettings; onSmooth: (smooth: number) => void }) {
  const design = useDesign();
  const { sensors } = scanTableOf(design);
  return (
    <ChoiceField
      label="Smoothing: a reading counts by"
      value={String(axis.smooth)}
      choices={SMOOTHED.map((label, smooth) => ({
        value: String(smooth),
        label: `${label}: told after ${settlesMs({ ...axis, smooth }, sensors.length)} ms`,
      }))}
      onCommit={(smooth) => onSmooth(Number(smooth))}
    />
  );
}

const EIGHTHS = [0, 1, 2, 3, 4, 5, 6, 7, 8];
const POINTS_MOST = EIGHTHS.length;

function CurveFields({ axis, onCurve }: { axis: AxisSettings; onCurve: (curve: AxisSettings["curve"]) => void }) {
  const { curve } = axis;
  const free = EIGHTHS.find((eighth) => eighth > 0 && !curve.some((point) => point.eighth === eighth));
  const replace = (nth: number, point: Partial<AxisSettings["curve"][number]>) =>
    onCurve(curve.map((one, at) => (at === nth ? { ...one, ...point } : one)));
  return (
    <>
      <Course axis={axis} />
      {curve.map((point, nth) => (
        <Box key={nth} display="grid" gridTemplateColumns="1fr 1fr 30px" gap="8px" alignItems="end">
          <ChoiceField
            label="At (% of way)"
            value={String(point.eighth)}
            choices={EIGHTHS.filter(
              (eighth) => eighth === point.eighth || !curve.some((one) => one.eighth === eighth),
            ).map((eighth) => ({ value: String(eighth), label: String(eighth * 12.5) }))}
            onCommit={(eighth) => replace(nth, { eighth: Number(eighth) })}
          />
          <NumberField
            label="it tells"
            unit="%"
            min={0}
            max={100}
            value={point.percent}
            onCommit={(percent) => replace(nth, { percent })}
          />
          <IconButton
            aria-label={`Remove the point at ${point.eighth * 12.5} %`}
            onClick={() => onCurve(curve.filter((_, at) => at !== nth))}
          >
            <Trash2 size={16} />
          </IconButton>
        </Box>
      ))}
      <Row>
        <PlainButton
          disabled={free === undefined || curve.length >= POINTS_MOST}
          onClick={() => {
            const eighth = curve.length === 0 ? 4 : free!;
            onCurve([...curve, { eighth, percent: Math.round(toldPercent({ ...axis, dead: 0 }, eighth * 12.5)) }]);
          }}
        >
          Bend it at a point
        </PlainButton>
      </Row>
    </>
  );
}

const WIDE = 220;
const HIGH = 110;

/** What is told along the way. */
function Course({ axis }: { axis: AxisSettings }) {
  const points = Array.from({ length: 101 }, (_, percent) => [percent, toldPercent(axis, percent)]);
  const path = points.map(([way, told]) => `${(way * WIDE) / 100} ${HIGH - (told * HIGH) / 100}`).join("L");
  const half = Math.round(toldPercent(axis, 50));
  return (
    <svg
      viewBox={`-4 -4 ${WIDE + 8} ${HIGH + 8}`}
      width="100%"
      role="img"
      aria-label={`Course: nothing up to ${axis.dead} % of the way, ${half} % at half of it`}
      style={{ background: "var(--paper)", display: "block" }}
    >
      <path d={`M0 ${HIGH}L${WIDE} 0`} stroke="var(--edge)" strokeDasharray="3 4" />
      <path d={`M${path}`} fill="none" stroke="var(--ink)" strokeWidth={1.6} />
    </svg>
  );
}
