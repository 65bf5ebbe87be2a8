import { create } from "zustand";
import type { LoggedStep } from "@/core/assembly/pace";
import { openDatabase } from "./database";

/** A timed step of this person, of whatever design. */
export interface PaceEntry extends LoggedStep {
  /** Design and step: doing a step again takes the place of what was logged. */
  key: string;
  at: string;
}

interface PaceLog {
  /** Null until it was read. */
  entries: PaceEntry[] | null;
}

/** How long steps took this person, kept in this browser beside the designs. */
export const usePaceLog = create<PaceLog>(() => ({ entries: null }));

const KEY = "pace-log";
/** Older ones fall out: hands change. */
const MOST = 2000;

export async function readPaceLog(): Promise<void> {
  if (usePaceLog.getState().entries !== null) return;
  const kept = (await openDatabase()
    .then((database) => database.get("settings", KEY))
    .catch(() => [])) as PaceEntry[] | undefined;
  usePaceLog.setState(({ entries }) => ({ entries: entries ?? kept ?? [] }));
}

async function write(change: (entries: PaceEntry[]) => PaceEntry[]): Promise<void> {
  await readPaceLog();
  const entries = change(usePaceLog.getState().entries ?? []).slice(-MOST);
  usePaceLog.setState({ entries });
  await openDatabase()
    .then((database) => database.put("settings", entries, KEY))
    .catch(() => {});
}

export const logStep = (entry: PaceEntry): Promise<void> =>
  write((entries) => [...entries.filter(({ key }) => key !== entry.key), entry]);

export const logSteps = (more: PaceEntry[]): Promise<void> =>
  write((entries) => {
    const keys = new Set(more.map(({ key }) => key));
    return [...entries.filter(({ key }) => !keys.has(key)), ...more];
  });

export const forgetPace = (): Promise<void> => write(() => []);
