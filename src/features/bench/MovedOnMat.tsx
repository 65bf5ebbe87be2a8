"use client";

import { type Control } from "@/core/catalogue/kinds";
import { wipersOf } from "@/core/engine/movable";
import type { Design } from "@/core/document/schema";
import { useSession } from "@/store/session";

const HANDLE_MM = 3.6;
const REACH_MM = 4.5;
const POINTER_MM = 5;

/** Where sticks and pots have been moved to, drawn over them while the device is live. */
export function MovedOnMat({ design }: { design: Design }) {
  const places = useSession((state) => state.places);
  return design.controls.flatMap((control) => {
    if (wipersOf(control).length === 0) return [];
    const { xMm, yMm, rotationDeg } = control.placement;
    return [
      <g key={control.id} transform={`translate(${xMm} ${yMm}) rotate(${rotationDeg})`} pointerEvents="none">
        {control.kind === "stick" ? (
          <Handle control={control} places={places} />
        ) : (
          <Pointer control={control} places={places} />
        )}
      </g>,
    ];
  });
}

interface MovedProps {
  control: Control;
  places: Record<string, number>;
}

function Handle({ control, places }: MovedProps) {
  const of = (end: string) => REACH_MM * (places[`${control.id}:${end}`] ?? 0);
  const [x, y] = [of("x"), of("y")];
  if (x === 0 && y === 0) return null;
  return (
    <>
      <line x2={x} y2={y} stroke="var(--cap-ink)" strokeWidth={1.4} strokeLinecap="round" />
      <circle cx={x} cy={y} r={HANDLE_MM} fill="var(--saffron)" stroke="var(--cap-ink)" strokeWidth={0.4} />
    </>
  );
}

/** Of a pot that is turned a line from its middle, of a slide its handle. */
function Pointer({ control, places }: MovedProps) {
  if (control.kind !== "pot") return null;
  const place = places[`${control.id}:wiper`] ?? 0;
  if (control.motion === "slide")
    return (
      <rect
        x={-3}
        y={8 - 16 * place - 1}
        width={6}
        height={2}
        fill="var(--saffron)"
        stroke="var(--cap-ink)"
        strokeWidth={0.3}
      />
    );
  const angle = ((place - 0.5) * control.travel - 90) * (Math.PI / 180);
  return (
    <line
      x2={POINTER_MM * Math.cos(angle)}
      y2={POINTER_MM * Math.sin(angle)}
      stroke="var(--saffron)"
      strokeWidth={1.2}
      strokeLinecap="round"
    />
  );
}
