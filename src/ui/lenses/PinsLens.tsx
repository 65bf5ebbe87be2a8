import { memo } from "react";
import { derive } from "@/core/derived/derive";
import type { Design } from "@/core/document/schema";
import { type Point, place, point } from "@/core/geometry/point";
import { crossingPaths, leadPaths } from "@/core/pins/leads";
import { pinPlace } from "@/core/pins/pinPlace";
import { CasedWire } from "./CasedWire";
import { Flag, flagWidth } from "./Flag";
import { netLook } from "./netLook";

interface PinsLensProps {
  design: Design;
  netId: string | null;
  /** A net on its way to another pin: from its flag to the pointer. */
  carried: { netId: string; xMm: number; yMm: number } | null;
}

const FLAG_SIZE = 1.7;
/** From the pad to the near edge of the flag. */
const FLAG_OUT_MM = 2.2;

const pathData = (path: Point[]) => `M${path.map(({ xMm, yMm }) => `${xMm} ${yMm}`).join("L")}`;

/** Leads from each net's nearest contact to its pin, with a flag outside the module that can be dragged to another. */
export const PinsLens = memo(function PinsLens({ design, netId, carried }: PinsLensProps) {
  const derived = derive(design);
  const { signalNets } = derived;
  const assignments = Object.fromEntries(Object.entries(design.pinPlan).map(([id, { pin }]) => [id, pin]));
  const paths = leadPaths(design, assignments);
  const pathOf = new Map(paths.map(({ netId, path }) => [netId, path]));
  return (
    <g>
      {signalNets.map((net, index) => {
        const { controller, profile } = derived.controllerOf(net) ?? {};
        const pin = profile?.pins.find(({ name }) => name === design.pinPlan[net.id]?.pin);
        if (!controller || !pin || net.joints.length === 0) return null;
        const { colour, pattern } = netLook(net, index);
        const at = pinPlace(controller, pin);
        const lead = pathOf.get(net.id) ?? [at];
        const from = lead[0];
        const strong = net.id === netId;
        const isCarried = carried?.netId === net.id;
        const outward = (controller.side === "under" ? -1 : 1) * Math.sign(pin.xMm || 1);
        const words = `${net.flag}${design.pinPlan[net.id].locked ? " ▪" : ""}`;
        const shift = place(point(outward * (FLAG_OUT_MM + flagWidth(words, FLAG_SIZE) / 2), 0), {
          xMm: 0,
          yMm: 0,
          rotationDeg: controller.placement.rotationDeg,
        });
        const flag = isCarried ? point(carried.xMm, carried.yMm) : point(at.xMm + shift.xMm, at.yMm + shift.yMm);
        const path = pathData(isCarried ? [from, flag, at] : lead);
        return (
          <g key={net.id}>
            <CasedWire path={path} colour={colour} pattern={pattern} widthMm={strong ? 0.9 : 0.4} />
            <circle cx={from.xMm} cy={from.yMm} r={0.8} fill={colour} pointerEvents="none" />
            <Flag
              x={flag.xMm}
              y={flag.yMm}
              words={words}
              colour={colour}
              net={net.id}
              strong={strong || isCarried}
              size={FLAG_SIZE}
              stopName={`${net.flag} on ${pin.name}`}
            />
          </g>
        );
      })}
      {crossingPaths(paths).map(({ one, other, at: { xMm, yMm } }) => {
        return (
          <path
            key={`${one.netId} ${other.netId}`}
            transform={`translate(${xMm} ${yMm})`}
            d="M-1.1 -1.1L1.1 1.1M-1.1 1.1L1.1 -1.1"
            stroke="var(--stop)"
            strokeWidth={0.6}
            pointerEvents="none"
          >
            <title>crossing leads</title>
          </path>
        );
      })}
    </g>
  );
});
