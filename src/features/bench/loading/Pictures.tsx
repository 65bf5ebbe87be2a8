import type { ReactNode } from "react";

const frame = { width: 116, height: 74, display: "block" } as const;
const Frame = ({ words, children }: { words: string; children: ReactNode }) => (
  <svg viewBox="0 0 116 74" role="img" aria-label={words} style={frame}>
    {children}
  </svg>
);
const text = (x: number, y: number, words: string, bold = false) => (
  <text x={x} y={y} style={{ fontSize: 11, fontWeight: bold ? 700 : 400 }} fill="var(--ink)">
    {words}
  </text>
);

/** A line in a list of what the computer has found. */
function Found({ y, words, isMeant = false }: { y: number; words: string; isMeant?: boolean }) {
  return (
    <g>
      <rect
        x={6}
        y={y}
        width={104}
        height={17}
        rx={2}
        fill={isMeant ? "color-mix(in srgb, var(--saffron) 28%, transparent)" : "transparent"}
        stroke={isMeant ? "var(--saffron)" : "var(--edge)"}
      />
      {text(12, y + 12, words, isMeant)}
    </g>
  );
}

/** The computer's list of serial ports, the new one marked. */
export const PortPicture = () => (
  <Frame words="The computer's list of serial ports: the one that has just come is the board">
    <Found y={6} words="serial port 1" />
    <Found y={28} words="serial port 2: new" isMeant />
    {text(6, 62, "gone after 8 seconds")}
  </Frame>
);

/** A drive among the computer's drives. */
export const DrivePicture = ({ name, inside }: { name: string; inside: string[] }) => (
  <Frame words={`The board shows up as a drive with ${inside.join(", ") || "nothing"} on it`}>
    <Found y={3} words={name} isMeant />
    {inside.map((file, nth) => (
      <g key={file}>{text(20, 34 + 13 * nth, file)}</g>
    ))}
  </Frame>
);

/** A button held while the plug goes in. */
export const HoldPicture = () => (
  <Frame words="Hold the loader's button down while the plug goes in">
    <rect x={8} y={24} width={62} height={34} rx={3} fill="var(--module)" stroke="var(--module-edge)" />
    <rect x={22} y={34} width={14} height={14} rx={2} fill="var(--module-edge)" />
    <circle cx={29} cy={41} r={5} fill="var(--saffron)" />
    <path d="M 29 8 V 30 M 25 25 L 29 31 L 33 25" fill="none" stroke="var(--saffron)" strokeWidth={2} />
    <rect x={66} y={34} width={10} height={14} fill="var(--module-edge)" />
    <rect x={88} y={35} width={22} height={12} rx={2} fill="none" stroke="var(--faint)" strokeWidth={1.5} />
    <path d="M 86 41 H 79 M 82 37 L 78 41 L 82 45" fill="none" stroke="var(--faint)" strokeWidth={1.5} />
  </Frame>
);

/** The device's name among the computer's keyboards. */
export const KeyboardPicture = ({ name }: { name: string }) => (
  <Frame words={`The computer lists a keyboard by the name ${name}`}>
    <Found y={10} words="keyboard" />
    <Found y={32} words={name.length > 16 ? `${name.slice(0, 14)}…` : name} isMeant />
  </Frame>
);
