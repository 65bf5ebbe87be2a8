import type { Design } from "@/core/document/schema";
import type { StoredDesign } from "./database";
import type { SaveResult } from "./designRepository";
import { type StoreTrouble, troubleOf } from "./storeTrouble";

export type Saving =
  | { state: "saved" }
  | { state: "waiting" }
  | { state: "writing" }
  | { state: "failed"; trouble: StoreTrouble }
  /** What is stored is not what this design was made from; nothing is overwritten until the person says so. */
  | { state: "conflict"; stored: StoredDesign | null };

export interface SavingPorts {
  write(design: Design, from: string | null, token: string): Promise<SaveResult>;
  /** Calls back once after `ms`. @returns how to call it off */
  after(ms: number, act: () => void): () => void;
  newToken(): string;
  /** A save succeeded: other tabs are told. */
  saved(token: string): void;
  changed(): void;
}

/** From the last edit to the write. */
const WAIT_MS = 300;
/** A write that has not ended by then is told as failed; should it end after all, that is found out. */
const PATIENCE_MS = 10_000;

const tooSlow = (): StoreTrouble => ({
  kind: "other",
  message: "The browser has not answered for 10 s, so this design may not be saved. Export it now to be safe.",
});

/**
 * The saving of one design that lies open: saved → waiting → writing → saved, failed or conflict. It knows nothing of
 * edits or screens; `latest` gives the design as it is.
 */
export class SavingMachine {
  saving: Saving = { state: "saved" };
  private cancelTimer = () => {};
  private attempt = 0;
  /** Ends when nothing is being written or waited for. */
  private running: Promise<void> = Promise.resolve();
  /** Tokens of writes whose end is not known: what is stored under one of them is this design's own. */
  private readonly tried = new Map<string, Design>();

  constructor(
    private token: string,
    private readonly latest: () => Design,
    private readonly ports: SavingPorts,
  ) {}

  /** Whether all edits are in the browser's storage. */
  get isSettled(): boolean {
    return this.saving.state === "saved";
  }

  /** The design has changed: it is written soon. A conflict waits for the person, a write in progress is followed. */
  touched(): void {
    if (this.saving.state === "conflict" || this.saving.state === "writing") return;
    this.to({ state: "waiting" });
    this.cancelTimer();
    this.cancelTimer = this.ports.after(WAIT_MS, () => void this.writeNow());
  }

  /** Writes what is not yet written. @returns when it is, or cannot be */
  writeNow(): Promise<void> {
    const { state } = this.saving;
    if (state === "waiting" || state === "failed") this.running = this.write();
    return this.running;
  }

  /** Another tab has saved this design (null: has taken it off the shelf). */
  heard(stored: StoredDesign | null): void {
    if (stored && (stored.token === this.token || this.tried.has(stored.token))) return;
    this.conflict(stored);
  }

  /** Ends a conflict: what lies here overwrites what the person was shown, and nothing else. */
  keepMine(): Promise<void> {
    if (this.saving.state !== "conflict") return this.running;
    const { stored } = this.saving;
    this.running = this.write(stored?.token ?? null);
    return this.running;
  }

  /** Ends a conflict: the design here is now made from what the person was shown. */
  keepTheirs(): void {
    if (this.saving.state !== "conflict" || !this.saving.stored) return;
    this.token = this.saving.stored.token;
    this.to({ state: "saved" });
  }

  private async write(from: string | null = this.token): Promise<void> {
    const attempt = (this.attempt += 1);
    this.cancelTimer();
    const design = this.latest();
    const token = this.ports.newToken();
    this.tried.set(token, design);
    this.to({ state: "writing" });
    const result = await this.patiently(this.ports.write(design, from, token));
    if (attempt !== this.attempt) return;
    if (result === "late") return this.to({ state: "failed", trouble: tooSlow() });
    if ("trouble" in result) return this.to({ state: "failed", trouble: result.trouble });
    if (!result.saved) return this.refused(result.stored);
    this.written(token, design);
    if (this.latest() !== design) return this.write();
    this.to({ state: "saved" });
  }

  private written(token: string, design: Design) {
    this.token = token;
    this.tried.clear();
    this.tried.set(token, design);
    this.ports.saved(token);
  }

  /** A write that was thought lost may have landed: then what is stored is this design's own, and work goes on from it. */
  private refused(stored: StoredDesign | null): Promise<void> | void {
    const own = stored && this.tried.get(stored.token);
    if (!own) return this.conflict(stored);
    this.written(stored.token, own);
    return this.latest() === own ? this.to({ state: "saved" }) : this.write();
  }

  private conflict(stored: StoredDesign | null) {
    this.attempt += 1;
    this.cancelTimer();
    this.to({ state: "conflict", stored });
  }

  private async patiently(write: Promise<SaveResult>): Promise<SaveResult | { trouble: StoreTrouble } | "late"> {
    let callOff = () => {};
    const late = new Promise<"late">((end) => (callOff = this.ports.after(PATIENCE_MS, () => end("late"))));
    try {
      return await Promise.race([write, late]);
    } catch (error) {
      return { trouble: troubleOf(error) };
    } finally {
      callOff();
    }
  }

  private to(saving: Saving) {
    this.saving = saving;
    this.ports.changed();
  }
}
