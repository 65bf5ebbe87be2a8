"use client";

import { Box } from "@chakra-ui/react";
import { useState } from "react";
import type { Design } from "@/core/document/schema";
import { reportShapeOf } from "@/core/firmware/reportShape";
import { padAxisNames } from "@/core/hid/padShape";
import { axisLimits, padStateOf, stillPad } from "@/core/hid/padWords";
import { type Rest, noWays, restWords, roundWords, withPlace, withRest } from "@/core/hid/padWay";
import { useSession } from "@/store/session";
import { Section } from "@/ui/pieces/sheets";

const HAT_WORDS = ["up", "up and right", "right", "down and right", "down", "down and left", "left", "up and left"];
const FIELD = 84;
/** Until what was let go of is surely read at rest. */
const SETTLES_MS = 400;

/** What the host reads of the game pad: buttons by number, the hat, axes as they are told. */
export function PadView({ design }: { design: Design }) {
  const shape = reportShapeOf(design);
  const report = useSession((state) => state.reports.findLast((one) => one.interface === "pad"));
  const state = padStateOf(shape, report?.bytes ?? stillPad(shape));
  const valueOf = (name: string) => state.axes[shape.axes.findIndex(({ axis }) => axis === name)];
  return (
    <Section title="What the game reads">
      {shape.buttons > 0 && (
        <Box as="ul" aria-label="Buttons of the game pad" display="flex" flexWrap="wrap" gap="3px" listStyleType="none">
          {Array.from({ length: shape.buttons }, (_, nth) => {
            const isDown = state.buttons.includes(nth);
            return (
              <Box
                as="li"
                key={nth}
                aria-label={`Button ${nth + 1} ${isDown ? "down" : "up"}`}
                fontFamily="mono"
                fontSize="12px"
                minWidth="26px"
                textAlign="center"
                bg={isDown ? "var(--saffron)" : "var(--paper)"}
                color={isDown ? "var(--saffron-ink)" : "var(--ink)"}
              >
                {nth + 1}
              </Box>
            );
          })}
        </Box>
      )}
      {shape.hat && <Box>Hat: {state.hat === null ? "not pressed" : HAT_WORDS[state.hat]}</Box>}
      {valueOf("x") !== undefined && valueOf("y") !== undefined && (
        <Field x={valueOf("x")} y={valueOf("y")} limits={axisLimits(shape.axes[0].bothSides, shape.axisBits)} />
      )}
      {shape.axes.map(({ axis, bothSides }, nth) => (
        <AxisBar
          key={axis}
          name={padAxisNames[axis]}
          value={state.axes[nth]}
          limits={axisLimits(bothSides, shape.axisBits)}
        />
      ))}
    </Section>
  );
}

/** Whether no hand has moved a stick or pot for a while. */
function useRest(): boolean {
  const nowMs = useSession((state) => state.nowMs);
  const isTouched = useSession((state) => Object.values(state.places).some((one) => one !== 0));
  const [touchedMs, setTouchedMs] = useState(0);
  if ((isTouched || nowMs < touchedMs) && touchedMs !== nowMs) setTouchedMs(nowMs);
  return !isTouched && nowMs - touchedMs > SETTLES_MS;
}

/** Both axes of a stick together; the circle is as far as a round way goes. */
function Field({ x, y, limits: [, high] }: { x: number; y: number; limits: [number, number] }) {
  const [ways, setWays] = useState(noWays);
  const half = FIELD / 2;
  const place = (value: number) => half + (value / high) * (half - 4);
  const [rest, setRest] = useState<Rest>(null);
  const isAtRest = useRest();
  const next = withPlace(ways, x / high, y / high);
  // What was seen of its way, and of its rest, so far; states of their own that follow from what comes in.
  if (next !== ways) setWays(next);
  const nextRest = !isAtRest ? rest : withRest(rest, x / high, y / high);
  if (nextRest !== rest) setRest(nextRest);
  return (
    <Box display="flex" gap="12px" alignItems="center">
      <svg
        viewBox={`0 0 ${FIELD} ${FIELD}`}
        width={FIELD * 1.4}
        role="img"
        aria-label={`X ${x}, Y ${y}`}
        style={{ background: "var(--paper)" }}
      >
        <circle cx={half} cy={half} r={half - 4} fill="none" stroke="var(--edge)" />
        <path d={`M${half} 0V${FIELD}M0 ${half}H${FIELD}`} stroke="var(--edge)" strokeDasharray="2 3" />
        <circle cx={place(x)} cy={place(y)} r={4} fill="var(--saffron)" stroke="var(--ink)" />
      </svg>
      <Box fontSize="13px" color="var(--faint)">
        <div>{roundWords(ways) || "Move the stick all round to see how round its way is."}</div>
        <div>{restWords(rest)}</div>
      </Box>
    </Box>
  );
}

function AxisBar({ name, value, limits: [low, high] }: { name: string; value: number; limits: [number, number] }) {
  const part = (value - low) / (high - low);
  return (
    <Box display="grid" gridTemplateColumns="52px 1fr 64px" gap="8px" alignItems="center">
      <span>{name}</span>
      <Box bg="var(--paper)" height="10px" position="relative">
        <Box
          position="absolute"
          top="0"
          bottom="0"
          left={`${100 * Math.min(part, low < 0 ? 0.5 : 0)}%`}
          width={`${100 * (low < 0 ? Math.abs(part - 0.5) : part)}%`}
          bg="var(--saffron)"
        />
      </Box>
      <Box as="span" fontFamily="mono" textAlign="right" aria-label={`Axis ${name} ${value}`}>
        {value}
      </Box>
    </Box>
  );
}
