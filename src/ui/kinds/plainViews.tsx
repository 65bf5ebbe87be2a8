import {
  Bolt,
  Cable,
  CircleDashed,
  Gamepad,
  Hash,
  Joystick,
  Monitor,
  Music,
  RadioTower,
  RectangleVertical,
  SlidersVertical,
  Sun,
  ToggleLeft,
  Vibrate,
  Volume2,
} from "lucide-react";
import type { Control } from "@/core/catalogue/kinds";
import type { Concentric } from "@/core/catalogue/kinds/concentric";
import type { Fixing } from "@/core/catalogue/kinds/fixing";
import type { LadderPad } from "@/core/catalogue/kinds/ladderPad";
import type { Pot } from "@/core/catalogue/kinds/pot";
import type { Stick } from "@/core/catalogue/kinds/stick";
import type { Toggle } from "@/core/catalogue/kinds/toggle";
import type { FaceProps, KindView } from "./kindView";

const line = { stroke: "var(--cap-edge)", strokeWidth: 0.35, fill: "none", pointerEvents: "none" } as const;
const none = () => null;

function ToggleFace({ control, pressed, ends }: FaceProps<Toggle>) {
  const isDown = ends.split(" ").includes("down") || (control.positions === 2 && !pressed);
  const reach = isDown ? 3.4 : pressed ? -3.4 : 0;
  return (
    <g {...line}>
      <circle r={3} />
      <line x1={0} y1={0} x2={0} y2={reach} strokeWidth={2.2} strokeLinecap="round" stroke="var(--cap-ink)" />
    </g>
  );
}

const ConcentricFace = ({ control }: FaceProps<Concentric>) => (
  <g {...line}>
    <circle r={control.knobDiameterMm * 0.44} strokeDasharray="0.7 0.7" />
    <circle r={control.knobDiameterMm * 0.27} fill="var(--cap-top)" />
    <line x1={0} y1={-control.knobDiameterMm * 0.22} x2={0} y2={-control.knobDiameterMm * 0.1} strokeWidth={0.7} />
  </g>
);

const StickFace = ({ control }: FaceProps<Stick>) => (
  <g {...line}>
    <circle r={6.4} fill="var(--cap-top)" />
    <path d="M-8.4 0h3M5.4 0h3M0 -8.4v3M0 5.4v3" />
    {control.axes === 3 && <path d="M-4 -5.6a7 7 0 0 1 8 0l-1.6 -0.2M4 -5.6l0.1 -1.6" />}
  </g>
);

const PotFace = ({ control }: FaceProps<Pot>) =>
  control.motion === "slide" ? (
    <g {...line}>
      <line x1={-5} x2={5} y1={0} y2={0} strokeWidth={0.8} />
    </g>
  ) : (
    <g {...line}>
      <path d="M-3.6 3.6A5.1 5.1 0 1 1 3.6 3.6" strokeWidth={0.6} />
      <line x1={0} y1={-1.4} x2={0} y2={-4.6} strokeWidth={0.8} stroke="var(--cap-ink)" />
    </g>
  );

const FiveWayFace = () => (
  <g {...line}>
    <path d="M-2 0h4M0 -2v4" strokeWidth={0.8} />
  </g>
);

const PadFace = ({ control }: FaceProps<LadderPad>) => (
  <rect
    {...line}
    x={-control.widthMm / 2 + 1}
    y={-control.heightMm / 2 + 1}
    width={Math.max(0.5, control.widthMm - 2)}
    height={Math.max(0.5, control.heightMm - 2)}
    fill="var(--pad)"
    fillOpacity={0.25}
  />
);

const LightFace = ({ lit }: FaceProps<Control>) => (
  <>
    {lit && <circle r={6.5} fill={lit} opacity={0.35} pointerEvents="none" />}
    <rect {...line} x={-1.4} y={-1.4} width={2.8} height={2.8} fill={lit || "var(--cap-top)"} />
  </>
);

/** Seven strokes of one digit, as a sign for a segment display. */
const SegmentsFace = () => (
  <g {...line} strokeWidth={0.7}>
    {[-11, -3.7, 3.7, 11].map((x) => (
      <path key={x} d={`M${x - 1.8} -3.6h3.6v7.2h-3.6zM${x - 1.8} 0h3.6`} />
    ))}
  </g>
);

const WindowFace = () => (
  <g {...line}>
    <path d="M-7 -2.4h9M-7 0h12M-7 2.4h6" strokeWidth={0.6} />
  </g>
);

const RingFace = () => (
  <g {...line}>
    <circle r={2.6} />
    <circle r={1} />
  </g>
);

const FixingFace = ({ control }: FaceProps<Fixing>) => (
  <g {...line}>
    <circle r={1.1} fill="var(--mat)" />
    {control.carries && <path d="M-1.5 0h3M0 -1.5v3" strokeWidth={0.3} />}
  </g>
);

export const toggleView: KindView<Toggle> = { Sign: ToggleLeft, Face: ToggleFace, wordsWidthMm: none };
export const concentricView: KindView<Concentric> = {
  Sign: CircleDashed,
  Face: ConcentricFace,
  wordsWidthMm: (control) => control.knobDiameterMm - 6,
};
export const stickView: KindView<Stick> = { Sign: Joystick, Face: StickFace, wordsWidthMm: () => 12 };
export const potView: KindView<Pot> = { Sign: SlidersVertical, Face: PotFace, wordsWidthMm: none };
export const fiveWayView: KindView<Control> = { Sign: Gamepad, Face: FiveWayFace, wordsWidthMm: none };
export const ladderPadView: KindView<LadderPad> = {
  Sign: RectangleVertical,
  Face: PadFace,
  wordsWidthMm: (control) => control.widthMm,
};
export const lightView: KindView<Control> = { Sign: Sun, Face: LightFace, wordsWidthMm: none };
export const segmentsView: KindView<Control> = { Sign: Hash, Face: SegmentsFace, wordsWidthMm: none };
export const displayView: KindView<Control> = { Sign: Monitor, Face: WindowFace, wordsWidthMm: none };
export const radioView: KindView<Control> = { Sign: RadioTower, Face: RingFace, wordsWidthMm: () => 14 };
const SocketFace = () => (
  <g {...line}>
    <circle r={6.9} />
    {[-90, -45, 0, 45, 90].map((deg) => (
      <circle
        key={deg}
        r={0.7}
        cx={5.6 * Math.sin((deg * Math.PI) / 180)}
        cy={-5.6 * Math.cos((deg * Math.PI) / 180)}
      />
    ))}
  </g>
);

export const musicSocketView: KindView<Control> = { Sign: Music, Face: SocketFace, wordsWidthMm: () => 9 };
export const padPortView: KindView<Control> = { Sign: Cable, Face: RingFace, wordsWidthMm: () => 11 };
export const buzzerView: KindView<Control> = { Sign: Volume2, Face: RingFace, wordsWidthMm: none };
export const motorView: KindView<Control> = { Sign: Vibrate, Face: RingFace, wordsWidthMm: none };
export const fixingView: KindView<Fixing> = { Sign: Bolt, Face: FixingFace, wordsWidthMm: none };
