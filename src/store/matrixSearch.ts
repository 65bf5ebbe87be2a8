import { create } from "zustand";
import { type MatrixAnswer, type MatrixWish, matrixParts } from "@/core/matrix/planMatrix";
import { currentDesign } from "./bench";

interface MatrixSearch {
  isRunning: boolean;
  /** The best plan so far of each matrix. */
  answers: MatrixAnswer[];
  /** Why nothing could be planned. */
  problem: string | null;
}

/** The search for short wiring beside the page: better plans stream in until it ends or is stopped. */
export const useMatrixSearch = create<MatrixSearch>(() => ({ isRunning: false, answers: [], problem: null }));

const ROUNDS = 3;
/** Told wherever lines cannot hold the switches. */
export const NO_ROOM = "These rows and columns are too few for the switches, or locked cells lie outside them.";

let stopWorkers: (() => void)[] = [];
/** Which search is on: what a stopped one still had to say when it was stopped comes too late. */
let current = 0;

export function stopSearch(): void {
  current += 1;
  for (const stop of stopWorkers) stop();
  stopWorkers = [];
  useMatrixSearch.setState({ isRunning: false });
}

export function forgetSearch(): void {
  stopSearch();
  useMatrixSearch.setState({ answers: [], problem: null });
}

/** Starts over: each matrix in a worker of its own. */
export async function startMatrixSearch(wish: MatrixWish): Promise<void> {
  forgetSearch();
  const design = currentDesign();
  if (!design) return;
  const parts = matrixParts(design, wish);
  if (parts.length === 0) return useMatrixSearch.setState({ problem: NO_ROOM });
  useMatrixSearch.setState({ isRunning: true });
  const mine = current;
  const { startSearch } = await import("@/workers/planning");
  if (mine !== current) return;
  const seed = Date.now();
  const searches = parts.map((part) => {
    const { tasks, tell, stop } = startSearch();
    stopWorkers.push(stop);
    return tasks.searchMatrix(
      part,
      seed,
      ROUNDS,
      tell((answer: MatrixAnswer) => mine === current && keepAnswer(answer)),
    );
  });
  await Promise.all(searches);
  if (mine === current) stopSearch();
}

function keepAnswer(answer: MatrixAnswer) {
  useMatrixSearch.setState(({ answers }) => ({
    answers: [...answers.filter(({ circuitId }) => circuitId !== answer.circuitId), answer].sort((a, b) =>
      a.circuitId.localeCompare(b.circuitId),
    ),
  }));
}
