import { growingScale, textClass } from "../mat/readable";
import { Upright } from "../drawing/Upright";

interface FlagProps {
  x: number;
  y: number;
  words: string;
  colour: string;
  net?: string;
  strong?: boolean;
  size?: number;
  /** There is room around it to grow while the zoom would make it too small to read. */
  grows?: boolean;
  /** Makes it a stop of the Tab key, with this name. */
  stopName?: string;
}

/** Width of a flag in mm. */
export const flagWidth = (words: string, size: number): number => words.length * size * 0.62 + 1.6;

/** A flag with room around it may become this many times as large. */
const MOST_GROWTH = 1.9;

/** The small flag at a net's end. With `net` it can be picked and dragged. */
export function Flag({ x, y, words, colour, net, strong = false, size = 2.5, grows = false, stopName }: FlagProps) {
  const width = flagWidth(words, size);
  const shown = textClass(grows ? size * MOST_GROWTH : size);
  return (
    <Upright x={x} y={y}>
      <g
        data-net={net}
        tabIndex={stopName ? 0 : undefined}
        role={stopName ? "button" : undefined}
        aria-label={stopName}
        style={{
          cursor: net ? "pointer" : undefined,
          transform: grows ? growingScale(size, MOST_GROWTH) : undefined,
        }}
        pointerEvents={net ? undefined : "none"}
      >
        {/* What is left of it at a zoom at which it could not be read. */}
        <circle r={size * 0.4} fill={strong ? "var(--saffron)" : "var(--ruler)"} stroke={colour} strokeWidth={0.35} />
        <rect
          className={shown}
          x={-width / 2}
          y={-size * 0.75}
          width={width}
          height={size * 1.5}
          rx={0.6}
          fill={strong ? "var(--saffron)" : "var(--ruler)"}
          stroke={colour}
          strokeWidth={0.35}
        />
        <text
          className={shown}
          style={{ fontSize: size, fontFamily: "'Atkinson Hyperlegible Mono Variable', monospace" }}
          textAnchor="middle"
          y={size * 0.36}
          fill={strong ? "var(--saffron-ink)" : "#fff"}
        >
          {words}
        </text>
      </g>
    </Upright>
  );
}
