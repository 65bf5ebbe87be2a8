import { Square } from "lucide-react";
import type { Key } from "@/core/catalogue/kinds/key";
import type { FaceProps, KindView } from "./kindView";

/** The rim of a cap slopes; its top is this much smaller. */
const SLOPE = { acrossMm: 4.6, downMm: 5, upMm: 0.6 };

function Face({ control, pitch, pressed }: FaceProps<Key>) {
  const [w, h] = [control.widthU * pitch.xMm - SLOPE.acrossMm, control.heightU * pitch.yMm - SLOPE.downMm];
  const fill = pressed ? "var(--saffron)" : "var(--cap-top)";
  return <rect x={-w / 2} y={-h / 2 - SLOPE.upMm} width={w} height={h} rx={1.4} fill={fill} pointerEvents="none" />;
}

export const keyView: KindView<Key> = {
  Sign: Square,
  Face,
  wordsWidthMm: (control, pitch) => Math.max(10, control.widthU * pitch.xMm - 4),
};
