"use client";

import { derive } from "@/core/derived/derive";
import type { Design } from "@/core/document/schema";
import { padPortOf } from "@/core/firmware/padPort";
import { FREE, LOW } from "@/core/hid/padPortSettings";
import { portReadingUs } from "@/core/timing/portAnswer";
import { useSession } from "@/store/session";
import { Section, Values } from "@/ui/pieces/sheets";

/** What a console reads of the pad port, and the three lines while it does. */
export function PadPortView({ design }: { design: Design }) {
  const read = useSession((state) => state.plug);
  const port = padPortOf(design);
  if (!port) return null;
  const levels = read?.slice(0, port.bits.length);
  const { elements } = derive(design);
  const nameOf = (bit: string) => (bit === FREE || bit === LOW ? bit : (elements.get(bit)?.label ?? "gone"));
  const names = port.bits.map(nameOf);
  const pressed = names.filter((_, nth) => levels?.[nth] === false && port.bits[nth] !== LOW);
  const reading = portReadingUs(port.latchUs, port.clockUs, port.bits.length);
  return (
    <Section title="What the console reads">
      <Values
        rows={[
          ["Pressed", pressed.join(", ") || "nothing"],
          ["One reading", `${reading} µs, every ${port.everyMs} ms`],
        ]}
      />
      {levels && <PortStrip levels={levels} names={names} latchUs={port.latchUs} clockUs={port.clockUs} />}
    </Section>
  );
}

const WIDTH = 286;
const LEFT = 34;
const ROW = 26;
const HIGH = 16;
const NAMES_AT = 3 * ROW + 8;
const NAME_LETTERS = 14;
const LETTER = 6;

interface StripProps {
  levels: boolean[];
  names: string[];
  latchUs: number;
  clockUs: number;
}

/** A line that stands at levels, each for so long, as a path. */
function stepped(steps: [us: number, high: boolean][], scale: number, top: number): string {
  const y = (high: boolean) => (high ? top : top + HIGH);
  let x = LEFT;
  const parts = steps.map(([us, high], nth) => `${nth === 0 ? "M" : "L"}${x} ${y(high)}H${(x += us * scale)}`);
  return parts.join("");
}

/** Latch, clock and data over one reading: a bit is looked at in the middle of its period. */
function PortStrip({ levels, names, latchUs, clockUs }: StripProps) {
  const bits = levels.length;
  const scale = (WIDTH - LEFT) / portReadingUs(latchUs, clockUs, bits);
  const half = clockUs / 2;
  const clock: [number, boolean][] = levels.flatMap((): [number, boolean][] => [
    [half, true],
    [half, false],
  ]);
  const lines = [
    {
      name: "latch",
      path: stepped(
        [
          [latchUs, true],
          [bits * clockUs, false],
        ],
        scale,
        4,
      ),
    },
    { name: "clock", path: stepped([[latchUs, true], ...clock], scale, ROW + 4) },
    {
      name: "data",
      path: stepped(
        [[latchUs, levels[0]], ...levels.map((high): [number, boolean] => [clockUs, high])],
        scale,
        2 * ROW + 4,
      ),
    },
  ];
  const longest = Math.max(...names.map((name) => name.length));
  const words = levels.map((high, nth) => `${names[nth]} ${high ? "high" : "low"}`).join(", ");
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${NAMES_AT + 6 + LETTER * Math.min(longest, NAME_LETTERS)}`}
      width="100%"
      role="img"
      aria-label={`The lines of one reading: ${words}`}
    >
      {lines.map(({ name, path }, nth) => (
        <g key={name}>
          <text x={0} y={nth * ROW + 16} fontSize={11} fill="var(--ink)">
            {name}
          </text>
          <path d={path} fill="none" stroke="var(--ink)" strokeWidth={1.4} />
        </g>
      ))}
      {levels.map((high, nth) => {
        const x = LEFT + (latchUs + (nth + 0.5) * clockUs) * scale;
        return (
          <g key={nth}>
            {!high && (
              <rect
                x={x - (clockUs * scale) / 2}
                y={2 * ROW + 2}
                width={clockUs * scale}
                height={HIGH + 4}
                fill="var(--saffron)"
                opacity={0.45}
              />
            )}
            <text
              transform={`translate(${x + 3.5} ${NAMES_AT}) rotate(90)`}
              fontSize={10}
              fill={high ? "var(--faint)" : "var(--ink)"}
            >
              {names[nth].slice(0, NAME_LETTERS)}
            </text>
          </g>
        );
      })}
    </svg>
  );
}
