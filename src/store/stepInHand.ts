import { create } from "zustand";
import { openDatabase } from "./database";

export type MakeTab = "steps" | "time" | "parts" | "stack" | "case";

interface StepInHand {
  tab: MakeTab;
  /** The line of the parts list that is looked at, by its name. */
  partName: string | null;
  /** The board whose stack is looked at. */
  stackOf: string | null;
  designId: string | null;
  /** The step that is being done; null while none is. */
  stepId: string | null;
  /** When its clock was started, in ms of the epoch; null while it stands. */
  since: number | null;
  /** What the clock had told when it was last stopped, in ms. */
  spentMs: number;
}

const nothing = { designId: null, stepId: null, since: null, spentMs: 0 };

/** The step on the bench and its clock. */
export const useStepInHand = create<StepInHand>(() => ({ tab: "steps", partName: null, stackOf: null, ...nothing }));

const { getState: get, setState: set } = useStepInHand;

/** What is kept in the browser, so that a reload goes on with the same step. */
interface Kept {
  designId: string;
  stepId: string;
  spentMs: number;
  isRunning: boolean;
  at: number;
}

const KEY = "step-in-hand";

/** After so long nobody was at the bench: the clock stands when the step is taken up again. */
const AWAY_MS = 10 * 60_000;

async function keep(): Promise<void> {
  const { designId, stepId, since } = get();
  const kept: Kept | null =
    designId === null || stepId === null
      ? null
      : { designId, stepId, spentMs: spentOn(Date.now()), isRunning: since !== null, at: Date.now() };
  // A browser without storage loses the clock, not the work.
  await openDatabase()
    .then((database) => database.put("settings", kept, KEY))
    .catch(() => {});
}

/** What the clock tells now, in ms. */
export function spentOn(now: number): number {
  const { since, spentMs } = get();
  return spentMs + (since === null ? 0 : Math.max(0, now - since));
}

export const pickPartLine = (partName: string | null): void => set({ partName });
export const pickStack = (boardId: string): void => set({ stackOf: boardId });
export const openMakeTab = (tab: MakeTab): void => set({ tab });

/** Takes a step up; its clock runs at once. */
export function takeUp(designId: string, stepId: string): void {
  set({ designId, stepId, since: Date.now(), spentMs: 0 });
  void keep();
}

export function stopClock(): void {
  set({ spentMs: spentOn(Date.now()), since: null });
  void keep();
}

export function startClock(): void {
  if (get().since === null) set({ since: Date.now() });
  void keep();
}

/** Lays the step down. */
export function layDown(): void {
  set(nothing);
  void keep();
}

/** Takes up again what was in hand when the page was left. */
export async function takeUpAgain(designId: string): Promise<void> {
  const { designId: held } = get();
  if (held === designId) return;
  const kept = (await openDatabase()
    .then((database) => database.get("settings", KEY))
    .catch(() => null)) as Kept | null | undefined;
  if (!kept || kept.designId !== designId || get().stepId !== null) return set({ ...nothing, designId });
  const away = Date.now() - kept.at;
  const goesOn = kept.isRunning && away < AWAY_MS;
  set({
    designId,
    stepId: kept.stepId,
    spentMs: kept.spentMs + (goesOn ? away : 0),
    since: goesOn ? Date.now() : null,
  });
}

const EVERY_MS = 5000;

if (typeof window !== "undefined") {
  setInterval(() => get().since !== null && void keep(), EVERY_MS);
  window.addEventListener("pagehide", () => get().stepId !== null && void keep());
}
