import { Lightbulb } from "lucide-react";
import type { Lamp } from "@/core/catalogue/kinds/lamp";
import type { FaceProps, KindView } from "./kindView";

/** The crossed circle of a lamp in circuit diagrams (IEC 60617). */
function Face({ control, lit }: FaceProps<Lamp>) {
  const arm = control.diameterMm * 0.35;
  return (
    <g pointerEvents="none" stroke={lit ? "var(--saffron-ink)" : "var(--cap-edge)"} strokeWidth={0.3}>
      <line x1={-arm} y1={-arm} x2={arm} y2={arm} />
      <line x1={-arm} y1={arm} x2={arm} y2={-arm} />
    </g>
  );
}

export const lampView: KindView<Lamp> = { Sign: Lightbulb, Face, wordsWidthMm: () => null };
