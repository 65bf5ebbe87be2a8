import { inputNeed, outputNeed } from "../../circuits/net";
import { fewestLines } from "../../matrix/planReadingOrder";
import type { SwitchWay, WayContext, WayPlan } from "./way";

/** Without a diode at each switch three corners of a rectangle make the fourth appear. */
const GHOSTS = { weight: "note", words: "without diodes: sure for two keys at once, ghosts from three on" } as const;

function matrixPlan(inputs: number, rows: number, columns: number, { wish, settleUs }: WayContext): WayPlan {
  return {
    pins: [
      { what: "rows", need: outputNeed, count: rows },
      { what: "columns", need: inputNeed, count: columns },
    ],
    parts: wish.chords ? { diode: inputs } : {},
    readUs: rows * settleUs,
    certainty: wish.chords ? [] : [GHOSTS],
    shape: `${rows} rows and ${columns} columns`,
  };
}

/** Rows + columns is least for a near-square shape (common practice: 54 keys fit 7 + 8). */
export const balancedMatrix: SwitchWay = {
  id: "matrix",
  title: "Matrix, balanced",
  carriesTurns: false,
  plan(inputs, context) {
    if (inputs < 4) return null;
    const { rows, columns } = fewestLines(inputs);
    return matrixPlan(inputs, rows, columns, context);
  },
};

export const givenMatrix: SwitchWay = {
  id: "matrix-given",
  title: "Matrix, given shape",
  carriesTurns: false,
  plan(inputs, context) {
    const shape = context.matrixShape;
    if (!shape || shape.rows * shape.columns < inputs) return null;
    return matrixPlan(inputs, shape.rows, shape.columns, context);
  },
};
