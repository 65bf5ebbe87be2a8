import type { PointerEvent } from "react";
import { useRef } from "react";
import type { ControllerProfile, Pin } from "@/core/catalogue/controllers/controllerProfile";

interface PadDrawingProps {
  profile: ControllerProfile;
  inHand: number | null;
  onPick: (nth: number) => void;
  onMove: (nth: number, at: Pick<Pin, "xMm" | "yMm">) => void;
  onAdd: (pin: Pin) => void;
}

/** A twentieth of the pad pitch: pads land on the usual grid. */
const GRID_MM = 0.127;
const round = (mm: number) => Math.round(Math.round(mm / GRID_MM) * GRID_MM * 1000) / 1000;

function freshPin({ pins }: ControllerProfile, xMm: number, yMm: number): Pin {
  const names = new Set(pins.map(({ name }) => name));
  let number = 0;
  while (names.has(`P${number}`)) number += 1;
  return {
    name: `P${number}`,
    role: "io",
    xMm,
    yMm,
    input: true,
    pullUp: true,
    output: true,
    interrupt: false,
    pwm: false,
    analogChannel: null,
    buses: [],
    reserved: null,
    boot: null,
    volts: null,
  };
}

/** Pads in the middle of a module have their names beneath them. */
const isInner = (pin: Pin, widthMm: number) => Math.abs(pin.xMm) < widthMm / 5;

function colourOf(pin: Pin): string {
  if (pin.role !== "io") return "var(--module-edge)";
  return pin.reserved ? "var(--stop)" : "var(--pad)";
}

/** The module's outline with its pads: pick one, drag it, or click beside them for a new one. */
export function PadDrawing({ profile, inHand, onPick, onMove, onAdd }: PadDrawingProps) {
  const svg = useRef<SVGSVGElement>(null);
  const held = useRef<number | null>(null);
  const { widthMm: w, heightMm: h } = profile;
  const pad = 4;
  const at = (event: PointerEvent) => {
    const matrix = svg.current!.getScreenCTM()!.inverse();
    const p = new DOMPoint(event.clientX, event.clientY).matrixTransform(matrix);
    return { xMm: round(p.x), yMm: round(p.y) };
  };
  const padAt = (target: EventTarget | null) => {
    const name = (target as Element | null)?.closest?.("[data-pad]")?.getAttribute("data-pad");
    return name === null || name === undefined ? null : Number(name);
  };
  const onPointerDown = (event: PointerEvent<SVGSVGElement>) => {
    const nth = padAt(event.target);
    if (nth === null) {
      const { xMm, yMm } = at(event);
      if (Math.abs(xMm) <= w / 2 && Math.abs(yMm) <= h / 2) onAdd(freshPin(profile, xMm, yMm));
      return;
    }
    held.current = nth;
    onPick(nth);
    event.currentTarget.setPointerCapture(event.pointerId);
  };
  const size = Math.max(w, h) / 40;
  return (
    <svg
      ref={svg}
      viewBox={`${-w / 2 - pad} ${-h / 2 - pad} ${w + 2 * pad} ${h + 2 * pad}`}
      width="100%"
      style={{ maxHeight: "54vh", background: "var(--mat)", borderRadius: 4, touchAction: "none" }}
      role="group"
      aria-label="Pads on the module"
      onPointerDown={onPointerDown}
      onPointerMove={(event) => held.current !== null && event.buttons > 0 && onMove(held.current, at(event))}
      onPointerUp={() => (held.current = null)}
    >
      <rect
        x={-w / 2}
        y={-h / 2}
        width={w}
        height={h}
        rx={1.2}
        fill="var(--module)"
        stroke="var(--module-edge)"
        strokeWidth={0.3}
      />
      {profile.connector && (
        <rect
          x={profile.connector.xMm - profile.connector.widthMm / 2}
          y={profile.connector.yMm - 1}
          width={profile.connector.widthMm}
          height={3}
          fill="var(--module-edge)"
        />
      )}
      {profile.pins.map((pin, nth) => (
        <g
          key={nth}
          data-pad={nth}
          role="button"
          tabIndex={0}
          aria-label={`Pad ${pin.name}`}
          aria-pressed={nth === inHand}
          onKeyDown={(event) => (event.key === "Enter" || event.key === " ") && onPick(nth)}
          className="pad"
          style={{ cursor: "grab" }}
        >
          {!isInner(pin, w) && (
            <rect
              x={pin.xMm > 0 ? pin.xMm - 5 * size : pin.xMm - size}
              y={pin.yMm - size}
              width={6 * size}
              height={2 * size}
              fill="transparent"
            />
          )}
          <circle
            cx={pin.xMm}
            cy={pin.yMm}
            r={size}
            fill={colourOf(pin)}
            stroke={nth === inHand ? "var(--saffron)" : "none"}
            strokeWidth={size / 2}
          />
          <text
            x={pin.xMm + (isInner(pin, w) ? 0 : pin.xMm > 0 ? -1.6 : 1.6) * size}
            y={pin.yMm + size * (isInner(pin, w) ? 2.6 : 0.5)}
            textAnchor={isInner(pin, w) ? "middle" : pin.xMm > 0 ? "end" : "start"}
            style={{ fontSize: size * 1.7 }}
            fill="var(--mat-ink)"
          >
            {pin.name}
          </text>
        </g>
      ))}
    </svg>
  );
}
