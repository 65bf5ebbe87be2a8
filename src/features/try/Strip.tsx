"use client";

import { Box } from "@chakra-ui/react";
import { useEffect, useRef, useState } from "react";
import { derive } from "@/core/derived/derive";
import { toHex } from "@/core/hex";
import { useDesign } from "@/store/bench";
import { type Change, useSession } from "@/store/session";
import { PlainButton } from "@/ui/pieces/buttons";
import { type Lane, lanesOf } from "./lanes";
import { REPORT_ROWS, packReports } from "./packReports";

const LABEL_PX = 150;
const LANE_PX = 30;
const AXIS_PX = 22;
const REPORT_PX = 15;
const MONO = "'Atkinson Hyperlegible Mono Variable', monospace";
const WINDOWS_MS = [500, 1000, 2000, 5000];

/** Contact, debounced state, layer and reports on one time axis, the newest at the right. */
export function Strip() {
  const design = useDesign();
  const session = useSession();
  const [held, setHeld] = useState<typeof session | null>(null);
  const [windowMs, setWindowMs] = useState(1000);
  const [width, setWidth] = useState(800);
  const frame = useRef<HTMLDivElement>(null);
  useEffect(() => {
    const observer = new ResizeObserver(() => frame.current && setWidth(frame.current.clientWidth));
    if (frame.current) observer.observe(frame.current);
    return () => observer.disconnect();
  }, []);
  const shown = held ?? session;
  const from = shown.nowMs - windowMs;
  const lanes = lanesOf(
    shown,
    from,
    (id) => labelOf(derive(design).elements.get(id)?.label, id),
    (index) => design.keymap.layers[index]?.name ?? "",
  );
  const x = (ms: number) => LABEL_PX + ((ms - from) / windowMs) * (width - LABEL_PX - 12);
  const height = AXIS_PX + lanes.length * LANE_PX + REPORT_ROWS * REPORT_PX + 10;
  const reports = shown.reports.filter((report) => report.atMs >= from);
  const packed = packReports(reports, x);
  return (
    <Box ref={frame} minHeight="100%">
      <Box display="flex" gap="6px" alignItems="center" padding="6px 10px">
        <PlainButton height="26px" aria-pressed={held !== null} onClick={() => setHeld(held ? null : session)}>
          {held ? "Let it run" : "Hold the strip"}
        </PlainButton>
        {WINDOWS_MS.map((ms) => (
          <PlainButton
            key={ms}
            height="26px"
            aria-pressed={ms === windowMs}
            bg={ms === windowMs ? "var(--paper)" : "var(--sheet)"}
            onClick={() => setWindowMs(ms)}
          >
            {ms < 1000 ? `${ms} ms` : `${ms / 1000} s`}
          </PlainButton>
        ))}
        <Box color="var(--faint)" fontSize="13px">
          {lanes.length === 0 && reports.length === 0 ? advice(session.seen.hasInputs) : ""}
        </Box>
      </Box>
      <svg
        style={{ fontSize: 12 }}
        width={width}
        height={height}
        role="img"
        aria-label={`The last ${windowMs} ms: ${reports.length} reports`}
        fill="var(--ink)"
      >
        <TimeAxis from={from} windowMs={windowMs} x={x} height={height} />
        {lanes.map((lane, nth) => (
          <LaneRow
            key={lane.id}
            lane={lane}
            top={AXIS_PX + nth * LANE_PX}
            x={x}
            from={from}
            to={shown.nowMs}
            width={width}
          />
        ))}
        <g transform={`translate(0 ${AXIS_PX + lanes.length * LANE_PX})`}>
          <text x={10} y={16} style={{ fontWeight: 600 }}>
            Reports
          </text>
          {packed.map(({ report, atPx, row }, nth) => (
            <line
              key={`${report.atMs} ${nth}`}
              x1={atPx}
              x2={atPx}
              y1={2}
              y2={(row ?? REPORT_ROWS) * REPORT_PX + 13}
              stroke={report.interface === "keyboard" ? "var(--ink)" : "var(--settled)"}
              strokeWidth={1.5}
            />
          ))}
          {packed.map(
            ({ report, words, atPx, row }, nth) =>
              row !== null && (
                <text
                  key={`${report.atMs} ${nth}`}
                  style={{ fontSize: 11, fontFamily: MONO, paintOrder: "stroke" }}
                  stroke="var(--sheet)"
                  strokeWidth={4}
                  x={atPx + 4}
                  y={row * REPORT_PX + 12}
                >
                  {words}
                </text>
              ),
          )}
        </g>
      </svg>
      <details style={{ padding: "4px 10px" }}>
        <summary>The last reports as a list</summary>
        <Box as="ol" fontFamily="mono" fontSize="13px" listStyleType="none">
          {shown.reports.slice(-20).map((report, nth) => (
            <li key={`${report.atMs} ${nth}`}>
              {report.atMs} ms {report.interface} {toHex(report.bytes)}
            </li>
          ))}
        </Box>
      </details>
    </Box>
  );
}

const advice = (hasInputs: boolean) =>
  hasInputs
    ? "Press something on the mat: its contact, what the firmware makes of it, and the reports appear here."
    : "There is nothing to press yet: place keys in Layout, then share out rows and columns in Wiring.";

const labelOf = (label: string | undefined, contact: string) => label ?? contact;

function TimeAxis({
  from,
  windowMs,
  x,
  height,
}: {
  from: number;
  windowMs: number;
  x: (ms: number) => number;
  height: number;
}) {
  const step = windowMs / 10;
  const first = Math.ceil(from / step) * step;
  const marks = Array.from({ length: 11 }, (_, i) => first + i * step).filter((ms) => ms >= 0 && ms <= from + windowMs);
  return (
    <g style={{ fontFamily: MONO }} fill="var(--faint)">
      {marks.map((ms) => (
        <g key={ms}>
          <line x1={x(ms)} x2={x(ms)} y1={14} y2={height} stroke="var(--edge)" />
          <text style={{ fontSize: 11 }} x={x(ms)} y={11} textAnchor="middle">
            {ms}
          </text>
        </g>
      ))}
    </g>
  );
}

/** A line that jumps between two heights at its changes. */
function tracePath(
  changes: Change[],
  startsOn: boolean,
  from: number,
  to: number,
  x: (ms: number) => number,
  high: number,
  low: number,
): string {
  let path = `M${x(Math.max(0, from))} ${startsOn ? high : low}`;
  for (const { atMs, on } of changes) {
    if (atMs < from) continue;
    path += `H${x(atMs).toFixed(1)}V${on ? high : low}`;
  }
  return `${path}H${x(to)}`;
}

function LaneRow({
  lane,
  top,
  x,
  from,
  to,
  width,
}: {
  lane: Lane;
  top: number;
  x: (ms: number) => number;
  from: number;
  to: number;
  width: number;
}) {
  return (
    <g transform={`translate(0 ${top})`}>
      <text x={10} y={20}>
        {lane.label}
      </text>
      <line x1={0} x2={width} y1={LANE_PX} y2={LANE_PX} stroke="var(--edge)" />
      <path
        d={tracePath(lane.raw, lane.rawStartsOn, from, to, x, 6, 14)}
        fill="none"
        stroke="var(--faint)"
        strokeWidth={1}
      />
      <path
        d={tracePath(lane.settled, lane.settledStartsOn, from, to, x, 15, 26)}
        fill="none"
        stroke="var(--stop)"
        strokeWidth={2}
      />
    </g>
  );
}
