import { Square } from "lucide-react";
import type { Key } from "@/core/catalogue/kinds/key";
import type { FaceProps, KindView } from "./kindView";

/** The rim of a cap slopes; its top is this much smaller. */
const SLOPE = { acrossMm: 4.6, downMm: 5, upMm: 0.6 };

/** A button with a cap of its own form has a dished top of the same form. */
function OwnTop({ part, pressed }: Pick<FaceProps<Key>, "part" | "pressed">) {
  const { widthMm, heightMm } = part.cap!;
  const [rx, ry] = [widthMm * 0.4, heightMm * 0.4];
  return <ellipse rx={rx} ry={ry} fill={pressed ? "var(--saffron)" : "var(--cap-top)"} pointerEvents="none" />;
}

function Face({ control, pitch, part, pressed }: FaceProps<Key>) {
  if (part.cap) return <OwnTop part={part} pressed={pressed} />;
  const [w, h] = [control.widthU * pitch.xMm - SLOPE.acrossMm, control.heightU * pitch.yMm - SLOPE.downMm];
  const fill = pressed ? "var(--saffron)" : "var(--cap-top)";
  // Only the raised part of a stepped cap has a top; the step to its right lies lower.
  const top = control.stepU === null ? w : Math.max(2, control.stepU * pitch.xMm - SLOPE.acrossMm);
  return (
    <>
      <rect x={-w / 2} y={-h / 2 - SLOPE.upMm} width={top} height={h} rx={1.4} fill={fill} pointerEvents="none" />
      {control.stepU !== null && (
        <path
          d={`M${-w / 2 + top + 1.6} ${-h / 2 - 1}v${h + 2}`}
          stroke="var(--cap-edge)"
          strokeWidth={0.3}
          pointerEvents="none"
        />
      )}
    </>
  );
}

export const keyView: KindView<Key> = {
  Sign: Square,
  Face,
  // A button with a cap of its own form holds as much as is dished.
  wordsWidthMm: (control, pitch, { cap }) =>
    cap ? Math.max(10, cap.widthMm * 0.8) : Math.max(10, control.widthU * pitch.xMm - 4),
};
