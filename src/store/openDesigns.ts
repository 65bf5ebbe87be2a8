import { refusalOf, trust } from "@/core/document/gate";
import { readToday } from "@/core/document/readToday";
import type { Design } from "@/core/document/schema";
import type { StoredDesign } from "./database";
import type { SaveResult } from "./designRepository";
import { type History, advance, redo, startHistory, undo } from "./history";
import { type Saving, SavingMachine } from "./saving";
import { troubleOf } from "./storeTrouble";

type BenchStatus = "loading" | "ready" | "missing" | "unreadable";

/** A design that lies open in this tab, with edits that are not in the browser's storage yet. */
export interface UnsavedDesign {
  id: string;
  name: string;
  saving: Saving;
}

export interface OpenState {
  status: BenchStatus;
  problem: string;
  history: History | null;
  saving: Saving;
  /** Why the last edit was not made. */
  refusal: string | null;
  /** Every open design with edits that are not saved, on the bench or put aside before they could be. */
  unsaved: UnsavedDesign[];
}

/** What the open designs need of the world around them. */
export interface OpenPorts {
  load(id: string): Promise<StoredDesign | undefined>;
  write(design: Design, from: string | null, token: string): Promise<SaveResult>;
  after(ms: number, act: () => void): () => void;
  newToken(): string;
  /** A save succeeded: other tabs are told. */
  tell(id: string, token: string): void;
  changed(state: OpenState): void;
}

interface OpenDesign {
  history: History;
  machine: SavingMachine;
}

export const nothingOpen: OpenState = {
  status: "loading",
  problem: "",
  history: null,
  saving: { state: "saved" },
  refusal: null,
  unsaved: [],
};

/** One line for what could not be read. */
const problemWords = ({ path, message }: { path: string; message: string }) => (path ? `${path} ${message}` : message);

/**
 * The designs that lie open in this tab: the one on the bench, and those put aside before they were saved. No accepted
 * edit leaves here before it is stored or the person has been asked.
 */
export class OpenDesigns {
  state: OpenState = nothingOpen;
  private readonly open = new Map<string, OpenDesign>();
  private benchId: string | null = null;

  constructor(private readonly ports: OpenPorts) {}

  private get onBench(): OpenDesign | null {
    return (this.benchId !== null && this.open.get(this.benchId)) || null;
  }

  /** Lays a design on the bench. One that lies open in this tab comes back with its history and its unsaved edits. */
  async lay(id: string): Promise<void> {
    if (this.benchId === id && this.onBench) return;
    this.putAside();
    this.benchId = id;
    if (this.onBench) return this.show({ status: "ready", refusal: null });
    this.show({ status: "loading", problem: "", refusal: null });
    try {
      const stored = await this.ports.load(id);
      if (this.benchId !== id || this.onBench) return;
      if (!stored) return this.show({ status: "missing" });
      const read = readToday(stored.design);
      if (!read.ok) return this.show({ status: "unreadable", problem: problemWords(read.problems[0]) });
      this.take(read.value, stored.token);
      this.show({ status: "ready" });
    } catch (error) {
      if (this.benchId === id) this.show({ status: "unreadable", problem: troubleOf(error).message });
    }
  }

  private take(design: Design, token: string) {
    const { id } = design;
    trust(design);
    const entry: OpenDesign = {
      history: startHistory(design),
      machine: new SavingMachine(token, () => entry.history.design, {
        write: this.ports.write,
        after: this.ports.after,
        newToken: this.ports.newToken,
        saved: (saved) => this.ports.tell(id, saved),
        changed: () => this.afterSaving(id),
      }),
    };
    this.open.set(id, entry);
  }

  private putAside() {
    const { benchId, onBench } = this;
    if (benchId === null || !onBench) return;
    if (onBench.machine.isSettled) this.open.delete(benchId);
    else void onBench.machine.writeNow();
  }

  /** What was put aside goes once it is saved. */
  private afterSaving(id: string) {
    if (id !== this.benchId && this.open.get(id)?.machine.isSettled) this.open.delete(id);
    this.show({});
  }

  private show(change: Partial<OpenState>) {
    const { onBench } = this;
    const unsaved = [...this.open].flatMap(([id, { history, machine }]) =>
      machine.isSettled ? [] : [{ id, name: history.design.name, saving: machine.saving }],
    );
    this.state = {
      ...this.state,
      history: onBench?.history ?? null,
      saving: onBench?.machine.saving ?? { state: "saved" },
      unsaved,
      ...change,
    };
    this.ports.changed(this.state);
  }

  /** Changes the design on the bench: one step to undo. What reading would refuse is refused here, and nothing changes. */
  edit(title: string, change: (design: Design) => Design): void {
    const { onBench } = this;
    if (!onBench) return;
    const before = onBench.history.design;
    const next = change(before);
    if (next === before) return;
    const refusal = refusalOf(next, before);
    if (refusal) return this.show({ refusal: `Not done: ${refusal}` });
    this.move(advance(onBench.history, next, title));
  }

  undo(): void {
    this.step(undo);
  }

  redo(): void {
    this.step(redo);
  }

  private step(move: (history: History) => History) {
    const { onBench } = this;
    if (!onBench) return;
    const next = move(onBench.history);
    const refusal = refusalOf(next.design, onBench.history.design);
    if (refusal) return this.show({ refusal: `Not done: ${refusal}` });
    this.move(next);
  }

  private move(history: History) {
    const { onBench } = this;
    if (!onBench || history === onBench.history) return;
    onBench.history = history;
    this.show({ refusal: null });
    onBench.machine.touched();
  }

  understood(): void {
    this.show({ refusal: null });
  }

  /** Writes what is not yet written, of every open design. */
  async saveNow(): Promise<void> {
    await Promise.all([...this.open.values()].map(({ machine }) => machine.writeNow()));
  }

  get isSettled(): boolean {
    return [...this.open.values()].every(({ machine }) => machine.isSettled);
  }

  async keepMine(): Promise<void> {
    await this.onBench?.machine.keepMine();
  }

  /**
   * Ends a conflict with what the other tab saved; what was here can be had back by undoing. A version that this
   * program cannot read is refused in words, and the conflict stays. Where the design was taken off the shelf, it
   * leaves the bench too.
   */
  keepTheirs(): void {
    const { onBench, benchId } = this;
    if (!onBench || onBench.machine.saving.state !== "conflict") return;
    const { stored } = onBench.machine.saving;
    if (!stored) {
      this.open.delete(benchId!);
      return this.show({ status: "missing" });
    }
    const read = readToday(stored.design);
    if (!read.ok)
      return this.show({ refusal: `The other version cannot be read here: ${problemWords(read.problems[0])}` });
    onBench.history = advance(onBench.history, read.value, "take the other tab's version");
    onBench.machine.keepTheirs();
    this.show({ refusal: null });
  }

  /** Another tab saved a design, or took it off the shelf: what lies there now is looked up. */
  async heard(id: string): Promise<void> {
    if (!this.open.has(id)) return;
    try {
      const stored = await this.ports.load(id);
      this.open.get(id)?.machine.heard(stored ?? null);
    } catch {
      // The next save finds it out.
    }
  }
}
