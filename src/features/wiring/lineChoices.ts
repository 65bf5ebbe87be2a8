import { type Cell, type MatrixCircuit, lineFlag } from "@/core/circuits/matrix";

/** The rows or columns in use, and one more. */
export function lineChoices(matrix: MatrixCircuit, axis: keyof Cell): { value: string; label: string }[] {
  const highest = Math.max(-1, ...Object.values(matrix.cells).map((cell) => cell[axis]));
  const count = Math.min(32, highest + 2);
  return Array.from({ length: count }, (_, line) => ({
    value: String(line),
    label: lineFlag(matrix, axis, line),
  }));
}
