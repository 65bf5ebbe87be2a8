import { CircleDot } from "lucide-react";
import type { Encoder } from "@/core/catalogue/kinds/encoder";
import type { FaceProps, KindView } from "./kindView";

const NOTCHES = Array.from({ length: 24 }, (_, i) => (i * Math.PI) / 12);

function Face({ control, pressed }: FaceProps<Encoder>) {
  const radius = control.knobDiameterMm / 2;
  const top = pressed ? "var(--saffron)" : "var(--cap-top)";
  return (
    <g stroke="var(--cap-edge)" strokeWidth={0.35} pointerEvents="none">
      {NOTCHES.map((angle) => (
        <line
          key={angle}
          x1={Math.cos(angle) * (radius - 1.5)}
          y1={Math.sin(angle) * (radius - 1.5)}
          x2={Math.cos(angle) * (radius - 0.4)}
          y2={Math.sin(angle) * (radius - 0.4)}
        />
      ))}
      <circle r={Math.max(1, radius - 2.2)} fill={top} strokeWidth={0.25} />
      <line x1={0} y1={-radius + 2.4} x2={0} y2={-radius + 4.6} strokeWidth={0.7} stroke="var(--cap-ink)" />
    </g>
  );
}

export const encoderView: KindView<Encoder> = {
  Sign: CircleDot,
  Face,
  wordsWidthMm: (control) => control.knobDiameterMm - 2,
};
