import { create } from "zustand";
import type { DrillSort } from "@/core/practice/run";
import { openDatabase } from "./database";

export type PracticeTab = "drill" | "days" | "advice";
/** On the device on the screen, or on one on the cable. */
export type PracticeSource = "screen" | "device";
/** What is typed: a line made for the lesson, a passage of ours, or a text of the person's own. */
export type TextSource = "lesson" | "passage" | "own";

/** What is kept in the browser from one visit to the next. */
interface Kept {
  /** What the hands know already: the usual office keyboard, nothing, or a frozen revision. */
  before: string;
  ownText: string;
  isCautionRead: boolean;
}

interface PracticeInHand extends Kept {
  tab: PracticeTab;
  drill: DrillSort;
  source: PracticeSource;
  text: TextSource;
  lessonId: string | null;
  /** The next one is lit. */
  isLit: boolean;
  /** A line lies there to be typed. */
  isTyping: boolean;
  /** The sign that was asked for: where is it? */
  where: string;
  /** What shall be pressed next, and what is held along. */
  controlIds: string[];
  heldIds: string[];
  /** Each line of a drill is another. */
  seed: number;
  /** Minutes practised since the last pause. */
  sincePauseMin: number;
}

const fresh: Kept = { before: "office", ownText: "", isCautionRead: false };

export const usePractice = create<PracticeInHand>(() => ({
  ...fresh,
  tab: "drill",
  drill: "type",
  source: "screen",
  text: "lesson",
  lessonId: null,
  isLit: true,
  isTyping: false,
  where: "",
  controlIds: [],
  heldIds: [],
  seed: 1,
  sincePauseMin: 0,
}));

const { getState: get, setState: set } = usePractice;
const KEY = "practice";

export async function readPracticeSettings(): Promise<void> {
  const kept = (await openDatabase()
    .then((database) => database.get("settings", KEY))
    .catch(() => null)) as Partial<Kept> | null | undefined;
  if (kept) set(kept);
}

function keep(change: Partial<Kept>): void {
  set(change);
  const { before, ownText, isCautionRead } = get();
  // A browser without storage asks again next time.
  void openDatabase()
    .then((database) => database.put("settings", { before, ownText, isCautionRead }, KEY))
    .catch(() => {});
}

export const openPracticeTab = (tab: PracticeTab): void => set({ tab, ...nothingWanted });
const nothingWanted = { controlIds: [], heldIds: [] };
export const chooseDrill = (drill: DrillSort): void => set({ drill, ...nothingWanted });
export const practiseOn = (source: PracticeSource): void => set({ source });
export const chooseText = (text: TextSource): void => set({ text });
export const chooseLesson = (lessonId: string): void => set({ lessonId });
export const beginTyping = (): void => set({ isTyping: true });
export const lightNext = (isLit: boolean): void => set({ isLit });
export const askWhere = (where: string): void => set({ where });
export const wantNow = (controlIds: string[], heldIds: string[]): void => set({ controlIds, heldIds });
export const nextLine = (): void => set({ seed: get().seed + 1 });
export const knowFrom = (before: string): void => keep({ before });
export const bringText = (ownText: string): void => keep({ ownText });
export const readCaution = (): void => keep({ isCautionRead: true });
export const addPractised = (minutes: number): void => set({ sincePauseMin: get().sincePauseMin + minutes });
export const pauseTaken = (): void => set({ sincePauseMin: 0 });
