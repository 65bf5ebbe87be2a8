import { memo } from "react";
import type { ControllerProfile } from "@/core/catalogue/controllers/controllerProfile";
import type { Controller } from "@/core/document/schema";
import { later } from "../pieces/later";

interface ModuleShapeProps {
  controller: Controller;
  profile: ControllerProfile;
  selected: boolean;
  /** With pads and pin names; else only the outline. */
  detailed: boolean;
  /** Pin names that a net is on. */
  taken: Set<string>;
}

/** Pads are seen where pins are shared out. */
const ModulePads = later(() => import("./ModulePads").then((m) => m.ModulePads));

/** The controller as it lies on its board, connector at its own top. */
export const ModuleShape = memo(function ModuleShape({
  controller,
  profile,
  selected,
  detailed,
  taken,
}: ModuleShapeProps) {
  const { xMm, yMm, rotationDeg } = controller.placement;
  const { widthMm: w, heightMm: h } = profile;
  const mirrored = controller.side === "under" ? " scale(-1 1)" : "";
  return (
    <g
      transform={`translate(${xMm} ${yMm}) rotate(${rotationDeg})${mirrored}`}
      data-module={controller.id}
      opacity={detailed ? 1 : 0.75}
    >
      <rect
        x={-w / 2}
        y={-h / 2}
        width={w}
        height={h}
        rx={1.5}
        fill="var(--module)"
        stroke={selected ? "var(--saffron)" : "var(--module-edge)"}
        strokeWidth={selected ? 0.9 : 0.35}
        strokeDasharray={controller.side === "under" ? "1.5 0.8" : undefined}
      />
      <rect x={-4.5} y={-h / 2 - 1.4} width={9} height={5} rx={0.8} fill="var(--module-edge)" pointerEvents="none" />
      {detailed && <ModulePads pins={profile.pins} taken={taken} rotationDeg={rotationDeg} />}
    </g>
  );
});
