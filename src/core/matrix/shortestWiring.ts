import { randomFrom } from "../optimisation/random";
import { type Assignment, type MeasuredProblem, totalWireMm } from "./matrixProblem";
import { treeMm } from "../optimisation/spanningTree";

const EMPTY = -1;
/** Warmth of the search in mm: how much more wire a step may cost, at first and at last. */
const WARM_MM = 8;
const COLD_MM = 0.15;
/** Moves tried a key in one round of cooling. */
const MOVES_A_KEY = 2000;
const NEIGHBOURS = 14;
/** Of all moves, those that exchange the ends of two lines. */
const TAIL_SHARE = 0.25;
/** Moves between two looks at the clock by the caller. */
const SLICE = 8000;

/** Keys by cell, and the keys of each line, kept while keys change places. */
class Board {
  readonly at: Int32Array;
  readonly rowKeys: number[][];
  readonly columnKeys: number[][];
  readonly rowWire: Float64Array;
  readonly columnWire: Float64Array;
  private readonly n: number;
  private readonly before = new Float64Array(4);

  constructor(
    private readonly problem: MeasuredProblem,
    readonly now: Assignment,
  ) {
    const { rows, columns, keys } = problem;
    this.n = keys.length;
    this.at = new Int32Array(rows * columns).fill(EMPTY);
    this.rowKeys = Array.from({ length: rows }, () => []);
    this.columnKeys = Array.from({ length: columns }, () => []);
    for (let key = 0; key < this.n; key++) {
      this.at[now.row[key] * columns + now.column[key]] = key;
      this.rowKeys[now.row[key]].push(key);
      this.columnKeys[now.column[key]].push(key);
    }
    this.rowWire = Float64Array.from(this.rowKeys, (line) => treeMm(line, problem.rowMm, this.n));
    this.columnWire = Float64Array.from(this.columnKeys, (line) => treeMm(line, problem.columnMm, this.n));
  }

  get wireMm(): number {
    return this.rowWire.reduce((a, b) => a + b, 0) + this.columnWire.reduce((a, b) => a + b, 0);
  }

  /** Puts what is in two cells into each other's; either may be empty. */
  exchange(one: number, other: number): void {
    const { columns } = this.problem;
    const [a, b] = [this.at[one], this.at[other]];
    this.at[one] = b;
    this.at[other] = a;
    if (a !== EMPTY) this.put(a, Math.floor(other / columns), other % columns);
    if (b !== EMPTY) this.put(b, Math.floor(one / columns), one % columns);
  }

  private put(key: number, row: number, column: number) {
    const { now } = this;
    if (now.row[key] !== row) moveKey(this.rowKeys, key, now.row[key], row);
    if (now.column[key] !== column) moveKey(this.columnKeys, key, now.column[key], column);
    now.row[key] = row;
    now.column[key] = column;
  }

  /** Measures the lines of two cells anew. @returns how much longer they are */
  remeasure(one: number, other: number): number {
    const { columns, rowMm, columnMm } = this.problem;
    const { rowWire, columnWire, rowKeys, columnKeys, before, n } = this;
    const r1 = Math.floor(one / columns);
    const r2 = Math.floor(other / columns);
    const c1 = one % columns;
    const c2 = other % columns;
    before[0] = rowWire[r1];
    before[1] = rowWire[r2];
    before[2] = columnWire[c1];
    before[3] = columnWire[c2];
    let more = 0;
    if (r1 !== r2) {
      rowWire[r1] = treeMm(rowKeys[r1], rowMm, n);
      rowWire[r2] = treeMm(rowKeys[r2], rowMm, n);
      more += rowWire[r1] + rowWire[r2] - before[0] - before[1];
    }
    if (c1 !== c2) {
      columnWire[c1] = treeMm(columnKeys[c1], columnMm, n);
      columnWire[c2] = treeMm(columnKeys[c2], columnMm, n);
      more += columnWire[c1] + columnWire[c2] - before[2] - before[3];
    }
    return more;
  }

  /** Takes the last measuring back, once the keys are where they were. */
  restore(one: number, other: number): void {
    const { columns } = this.problem;
    this.rowWire[Math.floor(one / columns)] = this.before[0];
    this.rowWire[Math.floor(other / columns)] = this.before[1];
    this.columnWire[one % columns] = this.before[2];
    this.columnWire[other % columns] = this.before[3];
  }
}

function moveKey(lines: number[][], key: number, from: number, to: number) {
  const line = lines[from];
  line[line.indexOf(key)] = line[line.length - 1];
  line.pop();
  lines[to].push(key);
}

/** The nearest keys of each key, so that most moves are between keys that lie together. */
function neighbours({ keys, rowMm }: MeasuredProblem): number[][] {
  const n = keys.length;
  return keys.map((_, key) =>
    keys
      .map((_, other) => other)
      .filter((other) => other !== key)
      .sort((a, b) => rowMm[key * n + a] - rowMm[key * n + b])
      .slice(0, NEIGHBOURS),
  );
}

export interface WiringStep {
  assignment: Assignment;
  wireMm: number;
  /** Moves tried since the start. */
  moves: number;
}

const copyOf = ({ row, column }: Assignment): Assignment => ({ row: row.slice(), column: column.slice() });

/** The search at one moment: the board, the best so far, and how warm it still is. */
class Search {
  best: Assignment;
  bestMm: number;
  moves = 0;
  private board: Board;
  private wireMm: number;
  private readonly free: number[];
  private readonly close: number[][];
  private readonly lockedCell: Uint8Array;
  private readonly whole: number;
  private warmMm = WARM_MM;
  private tried = 0;

  constructor(
    private readonly problem: MeasuredProblem,
    start: Assignment,
    private readonly random: () => number,
  ) {
    const { keys, rows, columns } = problem;
    this.best = copyOf(start);
    this.bestMm = totalWireMm(problem, start);
    this.board = new Board(problem, copyOf(start));
    this.wireMm = this.bestMm;
    this.free = keys.map((_, key) => key).filter((key) => !keys[key].locked);
    this.close = neighbours(problem);
    this.lockedCell = new Uint8Array(rows * columns);
    for (const { locked } of keys) if (locked) this.lockedCell[locked.row * columns + locked.column] = 1;
    this.whole = MOVES_A_KEY * this.free.length;
  }

  get canMove(): boolean {
    return this.free.length > 0 && this.problem.keys.length > 1;
  }

  get isCold(): boolean {
    return this.tried >= this.whole;
  }

  /** Later rounds start from the best and less warm, so that they improve rather than begin again. */
  warmUp(round: number): void {
    this.warmMm = WARM_MM / (1 + 2 * round);
    this.tried = 0;
    this.board = new Board(this.problem, copyOf(this.best));
    this.wireMm = this.bestMm;
  }

  slice(): void {
    const until = Math.min(this.whole, this.tried + SLICE);
    const heat = this.warmMm * (COLD_MM / this.warmMm) ** (this.tried / this.whole);
    for (; this.tried < until; this.tried++) this.move(heat);
    this.moves += SLICE;
  }

  private move(heat: number) {
    if (this.random() < TAIL_SHARE) this.moveTail(heat);
    else this.moveOne(heat);
  }

  /** Two lines change what lies beyond a key: as when two wires that cross are joined the other way. */
  private moveTail(heat: number) {
    const { board, random } = this;
    const { rows, columns } = this.problem;
    const key = this.free[Math.floor(random() * this.free.length)];
    const other = this.close[key][Math.floor(random() * this.close[key].length)];
    const along = random() < 0.5;
    const [r1, c1] = [board.now.row[key], board.now.column[key]];
    const [r2, c2] = [board.now.row[other], board.now.column[other]];
    if (along ? c1 === c2 : r1 === r2) return;
    const upwards = random() < 0.5;
    const [from, to] = along ? (upwards ? [0, r1 + 1] : [r1, rows]) : upwards ? [0, c1 + 1] : [c1, columns];
    const cellOf = (line: number, nth: number) => (along ? nth * columns + line : line * columns + nth);
    const [one, two] = along ? [c1, c2] : [r1, r2];
    for (let nth = from; nth < to; nth++)
      if (this.lockedCell[cellOf(one, nth)] || this.lockedCell[cellOf(two, nth)]) return;
    const swap = () => {
      for (let nth = from; nth < to; nth++) board.exchange(cellOf(one, nth), cellOf(two, nth));
    };
    swap();
    const more = board.remeasure(cellOf(one, from), cellOf(two, from));
    if (more > 0 && random() >= Math.exp(-more / heat)) {
      swap();
      board.restore(cellOf(one, from), cellOf(two, from));
    } else this.took(more);
  }

  private took(more: number) {
    this.wireMm += more;
    if (this.wireMm >= this.bestMm - 1e-6) return;
    this.bestMm = this.wireMm;
    this.best = copyOf(this.board.now);
  }

  private moveOne(heat: number) {
    const { board, random } = this;
    const { columns } = this.problem;
    const key = this.free[Math.floor(random() * this.free.length)];
    const one = board.now.row[key] * columns + board.now.column[key];
    const other = this.otherCell(this.close[key]);
    if (other === one || this.lockedCell[other] === 1) return;
    board.exchange(one, other);
    const more = board.remeasure(one, other);
    if (more > 0 && random() >= Math.exp(-more / heat)) {
      board.exchange(one, other);
      board.restore(one, other);
    } else this.took(more);
  }

  /** A neighbour's cell, a cell in a neighbour's row and another's column, or any cell. */
  private otherCell(close: number[]): number {
    const { board, random } = this;
    const { rows, columns } = this.problem;
    const choice = random();
    const first = close[Math.floor(random() * close.length)];
    if (choice < 0.6) return board.now.row[first] * columns + board.now.column[first];
    const second = close[Math.floor(random() * close.length)];
    if (choice < 0.9) return board.now.row[first] * columns + board.now.column[second];
    return Math.floor(random() * rows * columns);
  }
}

/**
 * Looks for the assignment with the least wire by simulated annealing (Kirkpatrick, Gelatt and Vecchi 1983): two cells
 * change their keys, most often of keys that lie together, and a step for the worse is taken the less, the colder it
 * is. Locked keys stay. Each slice of moves tells the best so far; the sequence ends after the rounds of cooling.
 */
export function* shortestWiring(
  problem: MeasuredProblem,
  start: Assignment,
  seed: number,
  rounds: number,
): Generator<WiringStep> {
  const search = new Search(problem, start, randomFrom(seed));
  const step = (): WiringStep => ({ assignment: search.best, wireMm: search.bestMm, moves: search.moves });
  yield step();
  if (!search.canMove) return;
  for (let round = 0; round < rounds; round++) {
    search.warmUp(round);
    while (!search.isCold) {
      search.slice();
      yield step();
    }
  }
  // The sum of many small differences has crumbs: measured once more as a whole.
  yield { ...step(), wireMm: totalWireMm(problem, search.best) };
}
