interface CasedWireProps {
  /** SVG path data in mm. */
  path: string;
  colour: string;
  pattern: string;
  widthMm: number;
}

/** Dark rim on both sides together, so that light colours also show on the light caps. */
const CASING_MM = 0.6;

/** A wire in its net's colour and pattern. */
export function CasedWire({ path, colour, pattern, widthMm }: CasedWireProps) {
  return (
    <g fill="none" strokeLinejoin="round" pointerEvents="none">
      <path d={path} stroke="var(--casing)" strokeWidth={widthMm + CASING_MM} />
      <path d={path} stroke={colour} strokeWidth={widthMm} strokeDasharray={pattern} />
    </g>
  );
}
