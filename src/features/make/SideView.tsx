"use client";

import { Box } from "@chakra-ui/react";
import { type CasePlan, chosenCase } from "@/core/cases/casePlan";
import { boundsOf } from "@/core/geometry/outline";
import { boardRing } from "@/core/layout/boardOutline";
import type { Stack, StackBody } from "@/core/making/stack";
import { useDesign } from "@/store/bench";
import { SmallTable } from "@/ui/pieces/SmallTable";
import { useStack } from "./useStack";

const FILL: Record<StackBody["sort"], string> = {
  plate: "var(--mat)",
  board: "#2f6b4f",
  part: "var(--cap)",
  cap: "var(--cap-top)",
  module: "var(--module)",
  chip: "var(--module)",
  wiring: "color-mix(in srgb, var(--faint) 30%, transparent)",
};

/** Drawn from what lies behind to what lies in front. */
const ORDER: StackBody["sort"][] = ["wiring", "chip", "module", "part", "plate", "board", "cap"];
const MARGIN_MM = 14;

/** From left to right on the mat, in mm. */
function extent(body: StackBody, across: [number, number]): [number, number] {
  const box = body.outline && boundsOf([body.outline]);
  return box ? [box.minXMm, box.maxXMm] : across;
}

/** The board from its lower edge, everything at its height, the floor beneath it; and the same in numbers. */
export function SideView() {
  const design = useDesign();
  const shown = useStack();
  if (!shown) return null;
  const { board, stack } = shown;
  const ring = boardRing(design, board.id)!;
  const edge: [number, number] = [Math.min(...ring.map(({ xMm }) => xMm)), Math.max(...ring.map(({ xMm }) => xMm))];
  return (
    <Box padding="8px 14px">
      <Drawing
        stack={stack}
        across={edge}
        plateMm={board.plate.thicknessMm}
        name={board.name}
        plan={chosenCase(design, board)}
      />
      <Box maxWidth="560px">
        <Heights stack={stack} />
      </Box>
    </Box>
  );
}

interface DrawingProps {
  stack: Stack;
  across: [number, number];
  plateMm: number;
  name: string;
  /** The case that was chosen, in section. */
  plan: CasePlan | null;
}

function Drawing({ stack, across, plateMm, name, plan }: DrawingProps) {
  const { bodies, innerMm, aboveMm } = stack;
  const reach = bodies.map((body) => extent(body, across));
  const wall = plan ? plan.settings.wallMm + plan.settings.clearMm : 0;
  const left = Math.min(across[0] - wall, ...reach.map(([from]) => from)) - MARGIN_MM;
  const right = Math.max(across[1] + wall, ...reach.map(([, to]) => to)) + MARGIN_MM;
  const floor = plan ? -plan.floorMm : plateMm + innerMm;
  const bottom = plan ? -plan.backMm : floor;
  const sorted = [...bodies].sort((a, b) => ORDER.indexOf(a.sort) - ORDER.indexOf(b.sort));
  return (
    <svg
      role="img"
      aria-label={`${name} from the side: ${(floor - plateMm).toFixed(1)} mm free beneath the plate, ${aboveMm.toFixed(1)} mm above it`}
      viewBox={`${left} ${-aboveMm - 4} ${right - left} ${aboveMm + bottom + 10}`}
      style={{ width: "100%", maxHeight: 230, display: "block" }}
    >
      {plan && <Walls plan={plan} across={across} />}
      {sorted.map((body) => {
        const [from, to] = extent(body, across);
        return (
          <rect
            key={`${body.sort} ${body.id}`}
            x={from}
            y={-body.topMm}
            width={to - from}
            height={body.topMm - body.bottomMm}
            fill={FILL[body.sort]}
            stroke={body.sort === "wiring" ? "none" : "var(--cap-edge)"}
            strokeWidth={0.25}
          >
            <title>{`${body.title}: from ${body.bottomMm.toFixed(1)} to ${body.topMm.toFixed(1)} mm`}</title>
          </rect>
        );
      })}
      {!plan && <line x1={across[0]} x2={across[1]} y1={floor} y2={floor} stroke="var(--ink)" strokeWidth={0.7} />}
      <text x={across[0]} y={bottom + 4.6} style={{ fontSize: 3.6 }} fill="var(--ink)">
        floor of the case
      </text>
      <g stroke="var(--ink)" strokeWidth={0.3}>
        <line x1={across[1] + 4} x2={across[1] + 4} y1={plateMm} y2={floor} />
        <line x1={across[1] + 2} x2={across[1] + 6} y1={plateMm} y2={plateMm} />
        <line x1={across[1] + 2} x2={across[1] + 6} y1={floor} y2={floor} />
      </g>
      <text x={across[1] + 5} y={(plateMm + floor) / 2 + 1} style={{ fontSize: 3.2 }} fill="var(--ink)">
        {(floor - plateMm).toFixed(1)}
      </text>
    </svg>
  );
}

/** Floor, ledge and walls of the case, cut across. */
function Walls({ plan, across: [from, to] }: { plan: CasePlan; across: [number, number] }) {
  const { settings, floorMm, backMm, seatMm, rimMm, ledgeMm } = plan;
  const [seat, wall] = [settings.clearMm, settings.wallMm + settings.clearMm];
  const inner = ledgeMm > 0 ? -ledgeMm : seat;
  const side = (edge: number, out: 1 | -1) =>
    [
      [edge + out * wall, -backMm],
      [edge + out * wall, -Math.max(rimMm, seatMm)],
      [edge + out * seat, -Math.max(rimMm, seatMm)],
      [edge + out * seat, -seatMm],
      [edge + out * inner, -seatMm],
      [edge + out * inner, -floorMm],
    ] as const;
  const corners = [...side(from, -1), ...[...side(to, 1)].reverse()];
  return (
    <path
      d={`M${corners.map(([x, y]) => `${x} ${y}`).join("L")}Z`}
      fill="var(--cap)"
      stroke="var(--ink)"
      strokeWidth={0.4}
    >
      <title>Case</title>
    </path>
  );
}

/** Alike bodies on one line: what reaches from where to where. */
function Heights({ stack: { bodies } }: { stack: Stack }) {
  const lines = new Map<string, { title: string; count: number; bottomMm: number; topMm: number }>();
  for (const { sort, title, bottomMm, topMm } of bodies) {
    const key = `${sort} ${bottomMm} ${topMm}`;
    const line = lines.get(key) ?? { title, count: 0, bottomMm, topMm };
    lines.set(key, { ...line, count: line.count + 1 });
  }
  const rows = [...lines.values()].sort((a, b) => b.topMm - a.topMm);
  return (
    <SmallTable
      label="Heights from the plate's front"
      heads={["", "from", "to"]}
      rows={rows.map(({ title, count, bottomMm, topMm }) => [
        count > 1 ? `${title} and ${count - 1} more` : title,
        `${bottomMm.toFixed(1)} mm`,
        `${topMm.toFixed(1)} mm`,
      ])}
    />
  );
}
