/** Cells by their chemistry. */
export const cellSorts = ["lithium-ion", "nickel", "alkaline"] as const;
type Cell = (typeof cellSorts)[number];

export interface CellData {
  title: string;
  /** Charged or fresh, over most of a discharge, and where it is empty, in V. */
  fullV: number;
  usualV: number;
  emptyV: number;
  /** Inner resistance of one cell of about 1 Ah, in ohm. */
  ohm: number;
  /** Part of its capacity that a cell loses in a month by itself. */
  lostAMonth: number;
  /** Voltage by what is left, from empty to full at equal steps. */
  curveV: number[];
}

/** Typical of the chemistries at a fifth of their capacity an hour and 20 °C (common practice; curves from memory). */
export const cells: Record<Cell, CellData> = {
  "lithium-ion": {
    title: "lithium-ion cell",
    fullV: 4.2,
    usualV: 3.7,
    emptyV: 3.0,
    ohm: 0.1,
    lostAMonth: 0.03,
    curveV: [3.0, 3.45, 3.58, 3.65, 3.7, 3.75, 3.8, 3.88, 3.97, 4.08, 4.2],
  },
  nickel: {
    title: "nickel-metal hydride cell",
    fullV: 1.4,
    usualV: 1.2,
    emptyV: 1.0,
    ohm: 0.05,
    lostAMonth: 0.2,
    curveV: [1.0, 1.12, 1.17, 1.2, 1.22, 1.23, 1.24, 1.25, 1.27, 1.31, 1.4],
  },
  alkaline: {
    title: "alkaline cell",
    fullV: 1.6,
    usualV: 1.25,
    emptyV: 0.9,
    ohm: 0.2,
    lostAMonth: 0.003,
    curveV: [0.9, 1.05, 1.12, 1.17, 1.21, 1.25, 1.29, 1.34, 1.4, 1.48, 1.6],
  },
};

/** Voltage of a cell with a part of its charge left. @param left 0 to 1 */
export function cellV({ curveV }: CellData, left: number): number {
  const at = Math.min(1, Math.max(0, left)) * (curveV.length - 1);
  const below = Math.min(curveV.length - 2, Math.floor(at));
  return curveV[below] + (at - below) * (curveV[below + 1] - curveV[below]);
}

/** What is left in a cell at a voltage, 0 to 1: the curve read the other way round. */
export function leftAt({ curveV }: CellData, volts: number): number {
  if (volts <= curveV[0]) return 0;
  const above = curveV.findIndex((v) => v >= volts);
  if (above < 0) return 1;
  const [low, high] = [curveV[above - 1], curveV[above]];
  return (above - 1 + (volts - low) / (high - low)) / (curveV.length - 1);
}
