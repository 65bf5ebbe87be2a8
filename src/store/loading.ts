import { create } from "zustand";
import type { HexPart } from "@/core/image/intelHex";
import type { LoadProgress } from "@/core/loader/serialLoader";
import { type Transport, TransportClosed } from "@/core/loader/transport";
import { choosePort, serialTransport } from "./serialTransport";

/** Where loading stands. `on` is what is loaded: a board on a port, or the stand-in. */
export type Loading =
  | { state: "idle" }
  | { state: "choosing" }
  | { state: "running"; on: LoadTarget; progress: LoadProgress }
  | { state: "done"; on: LoadTarget; bytes: number }
  | { state: "failed"; words: string };
export type LoadTarget = "board" | "stand-in";

export const useLoading = create<{ loading: Loading }>(() => ({ loading: { state: "idle" } }));
const put = (loading: Loading) => useLoading.setState({ loading });

/** The run whose news counts: an older one that still ends is not told. */
let run = 0;
let stop: (() => void) | null = null;

const partOf = ({ bytes, of }: LoadProgress) => (of > 0 ? ` after ${Math.round((100 * bytes) / of)} %` : "");

function wordsOf(problem: unknown, progress: LoadProgress | null, isStopped: boolean): string {
  if (problem instanceof TransportClosed || isStopped) {
    const what = isStopped ? "Stopped" : "The board went away";
    const when = progress && progress.doing !== "asking" ? ` while ${progress.doing}${partOf(progress)}` : "";
    return `${what}${when}. A half-written device stays off the bus and its loader is untouched: press reset twice, and load again.`;
  }
  return problem instanceof Error ? problem.message : String(problem);
}

async function opened(transport: Transport): Promise<void> {
  try {
    await transport.open();
  } catch (problem) {
    const why = problem instanceof Error ? ` (${problem.message})` : "";
    throw new Error(
      `The port could not be opened${why}. Close whatever else uses it, call the loader again, and choose its port.`,
      { cause: problem },
    );
  }
}

/** @param own the number of this run, taken before anything was waited for */
async function loadOver(own: number, transport: Transport, on: LoadTarget, parts: HexPart[]): Promise<void> {
  if (own !== run) return;
  let progress: LoadProgress | null = null;
  let isStopped = false;
  stop = () => {
    isStopped = true;
    void transport.close();
  };
  const isCurrent = () => own === run;
  const tell = (now: LoadProgress) => {
    progress = now;
    if (isCurrent() && !isStopped) put({ state: "running", on, progress: now });
  };
  tell({ doing: "asking", bytes: 0, of: 0 });
  try {
    const { loadImage } = await import("@/core/loader/serialLoader");
    await opened(transport);
    await loadImage(transport, parts, tell);
    if (isCurrent()) put({ state: "done", on, bytes: progress!.of });
  } catch (problem) {
    if (isCurrent()) put({ state: "failed", words: wordsOf(problem, progress, isStopped) });
  } finally {
    await transport.close().catch(() => {});
  }
}

/** Asks for a port and loads a board over it. */
export async function loadBoard(parts: HexPart[]): Promise<void> {
  const own = ++run;
  put({ state: "choosing" });
  try {
    const port = await choosePort();
    if (own !== run) return;
    if (!port) return put({ state: "failed", words: "No port was chosen; nothing was written." });
    await loadOver(own, serialTransport(port), "board", parts);
  } catch (problem) {
    put({
      state: "failed",
      words: `The browser gives no port: ${wordsOf(problem, null, false)}. The file can be saved instead.`,
    });
  }
}

/** So that a person sees what happens, a block takes the time that a page of flash takes, about 5 ms (from memory). */
const PAGE_MS = 5;

/** Loads the stand-in, for a look at how it goes. */
export async function loadStandIn(parts: HexPart[]): Promise<void> {
  const own = ++run;
  const { StandInLoader } = await import("@/core/loader/standInLoader");
  const { standInTransport } = await import("@/core/loader/standInTransport");
  const pause = () => new Promise<void>((resolve) => setTimeout(resolve, PAGE_MS));
  await loadOver(own, standInTransport(new StandInLoader(), pause), "stand-in", parts);
}

/** Ends what is running; what was written until then stays written. */
export const stopLoading = (): void => stop?.();

/** Nothing has been loaded: for a panel that opens. */
export function forgetLoading(): void {
  stopLoading();
  run++;
  stop = null;
  put({ state: "idle" });
}
