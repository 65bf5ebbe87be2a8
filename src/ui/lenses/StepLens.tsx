import { memo } from "react";
import type { ToldStep } from "@/core/assembly/toldAssembly";
import { derive } from "@/core/derived/derive";
import type { Design } from "@/core/document/schema";
import { wiresOf } from "@/core/wires/wires";
import { outlinePath } from "../drawing/outlinePath";
import { Words } from "../drawing/ControlShape";
import { Upright } from "../drawing/Upright";
import { textClass } from "../mat/readable";
import { CasedWire } from "./CasedWire";
import { ChipShape } from "./ChipShape";
import { netLook } from "./netLook";

interface StepLensProps {
  design: Design;
  lit: ToldStep["lit"];
  wireKeys: string[];
}

/** Far enough that no zoom shows its edge. */
const VEIL_MM = 8000;
const WORD_MM = 3.4;

/** A veil over the device, and on it only what a step is about. */
export const StepLens = memo(function StepLens({ design, lit, wireKeys }: StepLensProps) {
  const derived = derive(design);
  const controls = new Set(lit.controls);
  const own = new Set(wireKeys);
  const nets = new Map(derived.nets.map((net, nth) => [net.id, netLook(net, nth)]));
  return (
    <g pointerEvents="none">
      <rect x={-VEIL_MM / 2} y={-VEIL_MM / 2} width={VEIL_MM} height={VEIL_MM} fill="var(--mat)" fillOpacity={0.72} />
      {derived.controllers.map(
        ({ controller, outline }, nth) =>
          outline &&
          lit.controllers.includes(controller.id) && (
            <g key={controller.id}>
              <path d={outlinePath(outline)} fill="var(--module)" stroke="var(--saffron)" strokeWidth={0.7} />
              <Word
                xMm={controller.placement.xMm}
                yMm={controller.placement.yMm}
                words={`A${nth + 1}`}
                colour="var(--mat-ink)"
              />
            </g>
          ),
      )}
      {design.controls.map(
        (control, nth) =>
          controls.has(control.id) && (
            <g key={control.id}>
              <path d={outlinePath(derived.bodies[nth])} fill="var(--cap)" stroke="var(--saffron)" strokeWidth={0.7} />
              <g
                transform={`translate(${control.placement.xMm} ${control.placement.yMm}) rotate(${control.placement.rotationDeg})`}
              >
                <Words
                  control={control}
                  part={derived.partOf(control)}
                  pitch={design.pitch}
                  words={control.label}
                  small=""
                />
              </g>
            </g>
          ),
      )}
      {derived.chips
        .filter(({ id }) => lit.chips.includes(id))
        .map((chip) => (
          <ChipShape key={chip.id} chip={chip} />
        ))}
      {wiresOf(design)
        .filter(({ key }) => own.has(key))
        .map(({ key, netId, from, to }) => (
          <g key={key}>
            <CasedWire
              path={`M${from.at.xMm} ${from.at.yMm}L${to.at.xMm} ${to.at.yMm}`}
              colour={nets.get(netId)!.colour}
              pattern={nets.get(netId)!.pattern}
              widthMm={0.8}
            />
            {[from, to].map(({ at }, end) => (
              <circle
                key={end}
                cx={at.xMm}
                cy={at.yMm}
                r={1.1}
                fill="var(--pad)"
                stroke="var(--cap-ink)"
                strokeWidth={0.25}
              />
            ))}
          </g>
        ))}
    </g>
  );
});

function Word({ xMm, yMm, words, colour }: { xMm: number; yMm: number; words: string; colour: string }) {
  return (
    <Upright x={xMm} y={yMm}>
      <text
        className={textClass(WORD_MM)}
        style={{ fontSize: WORD_MM }}
        textAnchor="middle"
        y={WORD_MM / 3}
        fill={colour}
      >
        {words}
      </text>
    </Upright>
  );
}
