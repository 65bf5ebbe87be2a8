import { type Chip, chipLengthMm, chipRowsMm, terminalPlace } from "@/core/circuits/chip";
import { textClass } from "../mat/readable";
import { Upright } from "../drawing/Upright";

/** The package reaches a little over its terminals. */
const OVER_MM = 1.2;

/** An added part with its terminals; it can be dragged to another place. */
export function ChipShape({ chip }: { chip: Chip }) {
  const count = chip.terminals.length;
  const width = chipRowsMm(count) - OVER_MM;
  const length = chipLengthMm(count);
  const { xMm, yMm } = chip.at;
  return (
    <g data-chip={chip.id} style={{ cursor: "grab" }}>
      <title>{`${chip.id.toUpperCase().replace(".", " ")}: ${chip.title}`}</title>
      <rect
        x={xMm - width / 2}
        y={yMm - length / 2}
        width={width}
        height={length}
        rx={0.6}
        fill="var(--module)"
        stroke="var(--module-edge)"
        strokeWidth={0.3}
      />
      {chip.terminals.map(({ name, netId }, nth) => {
        const at = terminalPlace(chip, nth);
        return (
          <circle
            key={name}
            cx={at.xMm}
            cy={at.yMm}
            r={0.7}
            fill={netId ? "var(--pad)" : "var(--module-edge)"}
            stroke="var(--module)"
            strokeWidth={0.2}
          >
            <title>{name}</title>
          </circle>
        );
      })}
      <circle cx={xMm - width / 2 + 1} cy={yMm - length / 2 + 1} r={0.45} fill="var(--mat-ink)" pointerEvents="none" />
      <Upright x={xMm} y={yMm}>
        <text
          className={textClass(2.2)}
          style={{ fontSize: 2.2, fontFamily: "'Atkinson Hyperlegible Mono Variable', monospace" }}
          textAnchor="middle"
          y={0.8}
          fill="var(--mat-ink)"
          pointerEvents="none"
        >
          {chip.label}
        </text>
      </Upright>
    </g>
  );
}
