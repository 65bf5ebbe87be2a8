/**
 * Least-cost assignment of rows to columns (each row one column, each column at most one row), by the Hungarian
 * method with potentials, O(rows² · columns) (H. W. Kuhn, 1955; shortest augmenting path form by Jonker and
 * Volgenant, 1987). Needs at least as many columns as rows.
 * @param costs costs[row][column], finite
 * @returns the column of each row; the sum of costs is the least possible
 */
export function assignLeastCost(costs: number[][]): number[] {
  const rows = costs.length;
  const columns = rows === 0 ? 0 : costs[0].length;
  if (columns < rows) throw new RangeError(`${rows} rows cannot each have one of ${columns} columns`);
  // Row 0 and column 0 are helpers; real ones count from 1.
  const rowPotential = new Float64Array(rows + 1);
  const columnPotential = new Float64Array(columns + 1);
  const rowOf = new Int32Array(columns + 1);
  for (let row = 1; row <= rows; row++) augment(row, costs, rowPotential, columnPotential, rowOf);
  const columnOfRow = new Array<number>(rows).fill(-1);
  for (let column = 1; column <= columns; column++) if (rowOf[column] > 0) columnOfRow[rowOf[column] - 1] = column - 1;
  return columnOfRow;
}

function augment(
  row: number,
  costs: number[][],
  rowPotential: Float64Array,
  columnPotential: Float64Array,
  rowOf: Int32Array,
) {
  const columns = rowOf.length - 1;
  const least = new Float64Array(columns + 1).fill(Infinity);
  const cameFrom = new Int32Array(columns + 1);
  const reached = new Uint8Array(columns + 1);
  let column = 0;
  rowOf[0] = row;
  do {
    reached[column] = 1;
    const from = rowOf[column];
    let step = Infinity;
    let next = 0;
    for (let j = 1; j <= columns; j++) {
      if (reached[j]) continue;
      const slack = costs[from - 1][j - 1] - rowPotential[from] - columnPotential[j];
      if (slack < least[j]) {
        least[j] = slack;
        cameFrom[j] = column;
      }
      if (least[j] < step) {
        step = least[j];
        next = j;
      }
    }
    for (let j = 0; j <= columns; j++) {
      if (reached[j]) {
        rowPotential[rowOf[j]] += step;
        columnPotential[j] -= step;
      } else {
        least[j] -= step;
      }
    }
    column = next;
  } while (rowOf[column] !== 0);
  for (; column !== 0; column = cameFrom[column]) rowOf[column] = rowOf[cameFrom[column]];
}
