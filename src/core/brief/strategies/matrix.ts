import type { MatrixCircuit } from "../../circuits/matrix";
import { fewestLines } from "../../matrix/planReadingOrder";
import { probeElements, costOf } from "./probe";
import { circuitWith } from "./readOneByOne";
import type { SwitchStrategy, StrategyContext, StrategyCost } from "./strategy";

/** Without a diode at each switch three corners of a rectangle make the fourth appear. */
const GHOSTS = { weight: "note", words: "without diodes: sure for two keys at once, ghosts from three on" } as const;

/** The matrix of a shape, planned as the circuit it becomes; lines that no switch is on need no pin. */
function matrixPlan(
  switches: number,
  rows: number,
  columns: number,
  { wish, settleUs }: StrategyContext,
): StrategyCost {
  const elements = probeElements([{ kind: "key", count: switches }]);
  const { circuit } = circuitWith("matrix", { switches: 0, turns: 0 });
  const ids = [...elements.keys()];
  const cells = Object.fromEntries(
    ids.map((id, nth) => [id, { row: Math.floor(nth / columns), column: nth % columns }]),
  );
  const filled = { ...(circuit as MatrixCircuit), cells, diodes: wish.chords ? "column-to-row" : "none" } as const;
  return {
    ...costOf(filled, elements, settleUs),
    certainty: wish.chords ? [] : [GHOSTS],
    shape: `${rows} rows and ${columns} columns`,
  };
}

/** Rows + columns is least for a near-square shape (common practice: 54 keys fit 7 + 8). */
export const balancedMatrix: SwitchStrategy = {
  id: "matrix",
  title: "Matrix, balanced",
  circuit: "matrix",
  carriesTurns: false,
  cost({ switches }, context) {
    if (switches < 4) return null;
    const { rows, columns } = fewestLines(switches);
    return matrixPlan(switches, rows, columns, context);
  },
};

export const givenMatrix: SwitchStrategy = {
  id: "matrix-given",
  title: "Matrix, given shape",
  circuit: "matrix",
  carriesTurns: false,
  cost({ switches }, context) {
    const shape = context.matrixShape;
    if (!shape || switches === 0 || shape.rows * shape.columns < switches) return null;
    return matrixPlan(switches, shape.rows, shape.columns, context);
  },
};
