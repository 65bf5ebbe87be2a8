import type { Pin } from "@/core/catalogue/controllers/controllerProfile";
import { textClass } from "../mat/readable";
import { Upright } from "./Upright";

const mono = { fontFamily: "'Atkinson Hyperlegible Mono Variable', monospace" };

function padColour(pin: Pin, taken: Set<string>): string {
  if (pin.role !== "io") return "var(--module-edge)";
  if (taken.has(pin.name)) return "var(--saffron)";
  return pin.reserved ? "var(--stop)" : "var(--pad)";
}

function Pad({ pin, taken, rotationDeg }: { pin: Pin; taken: Set<string>; rotationDeg: number }) {
  const inward = pin.xMm > 0 ? -1 : 1;
  return (
    <g data-pin={pin.role === "io" ? pin.name : undefined} style={{ cursor: pin.role === "io" ? "grab" : undefined }}>
      <title>{`${pin.name}${pin.reserved ? `, reserved: ${pin.reserved}` : ""}${pin.interrupt ? ", can interrupt" : ""}${pin.analogChannel !== null ? `, analog ${pin.analogChannel}` : ""}`}</title>
      <rect x={pin.xMm - 1.25} y={pin.yMm - 1.25} width={2.5} height={2.5} fill="transparent" />
      <circle cx={pin.xMm} cy={pin.yMm} r={0.8} fill={padColour(pin, taken)} stroke="var(--module)" strokeWidth={0.2} />
      <Upright x={pin.xMm + inward * 1.2} y={pin.yMm} rotationDeg={Math.abs(rotationDeg) === 180 ? 180 : 0}>
        <text
          className={textClass(1.7)}
          style={{ fontSize: 1.7, ...mono }}
          textAnchor={anchorFor(inward, rotationDeg)}
          y={0.6}
          fill="var(--mat-ink)"
          pointerEvents="none"
        >
          {pin.name}
        </text>
      </Upright>
    </g>
  );
}

/** Names stand inside the module; turned half round, text that stays upright runs the other way. */
const anchorFor = (inward: number, rotationDeg: number) =>
  (Math.abs(rotationDeg) === 180 ? -inward : inward) > 0 ? "start" : "end";

interface ModulePadsProps {
  pins: Pin[];
  /** Pin names that a net is on. */
  taken: Set<string>;
  rotationDeg: number;
}

/** Pads of a controller with their names, at the module's own places. */
export const ModulePads = ({ pins, taken, rotationDeg }: ModulePadsProps) => (
  <>
    {pins.map((pin, i) => (
      <Pad key={`${pin.name} ${i}`} pin={pin} taken={taken} rotationDeg={rotationDeg} />
    ))}
  </>
);
