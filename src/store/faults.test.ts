import { describe, expect, it } from "vitest";
import { newDesign } from "@/core/document/newDesign";
import { DESIGN_VERSION, type Design } from "@/core/document/schema";
import { randomFrom } from "@/core/optimisation/random";
import type { StoredDesign } from "./database";
import type { SaveResult } from "./designRepository";
import { OpenDesigns, type OpenState, nothingOpen } from "./openDesigns";

/** A clock that stands still until it is told to go on. */
class VirtualClock {
  nowMs = 0;
  private waiting: { atMs: number; act: () => void }[] = [];

  after(ms: number, act: () => void): () => void {
    const entry = { atMs: this.nowMs + ms, act };
    this.waiting.push(entry);
    return () => (this.waiting = this.waiting.filter((other) => other !== entry));
  }

  async goOn(ms: number) {
    const untilMs = this.nowMs + ms;
    for (;;) {
      await settle();
      const due = this.waiting.filter(({ atMs }) => atMs <= untilMs).sort((a, b) => a.atMs - b.atMs)[0];
      if (!due) break;
      this.waiting = this.waiting.filter((other) => other !== due);
      this.nowMs = Math.max(this.nowMs, due.atMs);
      due.act();
    }
    this.nowMs = untilMs;
  }
}

/** Lets everything that waits on nothing but promises run. */
const settle = async () => {
  for (let turn = 0; turn < 12; turn++) await Promise.resolve();
};

type Mood = "well" | "fails" | "full" | "hangs" | "lands unheard";

/** The browser's storage with its faults: writes that fail, hang, or land although they were reported lost. */
class FaultyStorage {
  readonly designs = new Map<string, string>();
  mood: Mood = "well";
  private readonly hanging: (() => void)[] = [];

  read(id: string): StoredDesign | undefined {
    const text = this.designs.get(id);
    return text === undefined ? undefined : (JSON.parse(text) as StoredDesign);
  }

  private commit(design: Design, from: string | null, token: string): SaveResult {
    const stored = this.read(design.id);
    if ((stored?.token ?? null) !== from) return { saved: false, stored: stored ?? null };
    this.designs.set(design.id, JSON.stringify({ id: design.id, design, token, savedAt: "" }));
    return { saved: true };
  }

  async write(design: Design, from: string | null, token: string): Promise<SaveResult> {
    if (this.mood === "fails") throw new DOMException("lost", "AbortError");
    if (this.mood === "full") throw new DOMException("no room", "QuotaExceededError");
    if (this.mood === "lands unheard") {
      this.commit(design, from, token);
      throw new DOMException("lost", "AbortError");
    }
    if (this.mood === "hangs")
      return new Promise((end) => this.hanging.push(() => end(this.commit(design, from, token))));
    return this.commit(design, from, token);
  }

  /** Hanging writes go on, in their order. */
  release() {
    for (const go of this.hanging.splice(0)) go();
  }
}

/** One tab: its open designs, and what the person in it sees. */
class Tab {
  state: OpenState = nothingOpen;
  designs!: OpenDesigns;
  /** Writes of a tab that was closed go on, but nobody hears of them. */
  alive = true;

  constructor(private readonly world: World) {
    this.start();
  }

  private start() {
    const { clock, storage } = this.world;
    const designs: OpenDesigns = new OpenDesigns({
      load: async (id) => storage.read(id),
      write: (design, from, token) => storage.write(design, from, token),
      after: (ms, act) => clock.after(ms, () => this.designs === designs && act()),
      newToken: () => `token-${(this.world.tokens += 1)}`,
      tell: (id) => this.world.tell(this, id),
      changed: (state) => {
        if (this.designs === designs || !this.designs) this.state = state;
      },
    });
    this.designs = designs;
  }

  /** A reload: what is not saved is asked about first, and the person may say yes. */
  reload(agrees: boolean) {
    if (!this.designs.isSettled) {
      void this.designs.saveNow();
      if (!agrees) return;
      for (const id of this.unsavedEdits()) this.world.asked.add(id);
    }
    this.state = nothingOpen;
    this.start();
  }

  get text(): string {
    return this.state.history?.design.note ?? "";
  }

  unsavedEdits(): string[] {
    return this.state.unsaved.flatMap(({ id }) => editsIn(this.textOf(id)));
  }

  private textOf(id: string): string {
    const open = (this.designs as unknown as { open: Map<string, { history: { design: Design } }> }).open.get(id);
    return open?.history.design.note ?? "";
  }
}

const editsIn = (note: string): string[] => note.split(" ").filter(Boolean);

const IDS = ["pad", "panel"];

class World {
  readonly clock = new VirtualClock();
  readonly storage = new FaultyStorage();
  tokens = 0;
  edits = 0;
  /** Edits that were accepted, and those the person has decided about: asked in a conflict or before leaving, or undone. */
  readonly accepted = new Set<string>();
  readonly asked = new Set<string>();
  readonly tabs: Tab[];

  constructor(tabs: number) {
    for (const id of IDS)
      this.storage.designs.set(
        id,
        JSON.stringify({ id, design: newDesign(id, id), token: `first-${id}`, savedAt: "" }),
      );
    this.tabs = Array.from({ length: tabs }, () => new Tab(this));
  }

  tell(from: Tab | null, id: string) {
    for (const tab of this.tabs) if (tab !== from) this.clock.after(5, () => void tab.designs.heard(id));
  }

  edit(tab: Tab) {
    if (!tab.state.history) return;
    const mark = `e${(this.edits += 1)}`;
    const before = tab.state.history;
    tab.designs.edit("note", (design) => ({ ...design, note: `${design.note} ${mark}`.trim().slice(-1900) }));
    if (tab.state.history !== before) this.accepted.add(mark);
  }

  undo(tab: Tab) {
    const before = tab.text;
    tab.designs.undo();
    const now = new Set(editsIn(tab.text));
    for (const mark of editsIn(before)) if (!now.has(mark)) this.asked.add(mark);
  }

  /** The person reads what the conflict shows and decides. */
  async decide(tab: Tab, mine: boolean) {
    const { saving } = tab.state;
    if (saving.state !== "conflict") return;
    const theirs = editsIn((saving.stored?.design as Design | undefined)?.note ?? "");
    const ours = editsIn(tab.text);
    const [kept, lost] = mine ? [ours, theirs] : [theirs, ours];
    const before = tab.state.history;
    if (mine) void tab.designs.keepMine();
    else tab.designs.keepTheirs();
    const isDone = mine || tab.state.history !== before;
    if (isDone) for (const mark of lost) if (!kept.includes(mark)) this.asked.add(mark);
    await settle();
  }

  /** Another tab's shelf: the person deletes the design, and may put it back. */
  remove(id: string, putBack: boolean) {
    const stored = this.storage.designs.get(id);
    if (!stored) return;
    this.storage.designs.delete(id);
    this.tell(null, id);
    if (putBack)
      this.clock.after(40, () => {
        if (this.storage.designs.has(id)) return;
        this.storage.designs.set(id, stored);
        this.tell(null, id);
      });
    else for (const mark of editsIn((JSON.parse(stored) as StoredDesign).design.note)) this.asked.add(mark);
  }

  /** A newer program in another tab, or an old one, saves its own version of the document. */
  otherVersion(id: string, version: number) {
    const stored = this.storage.read(id);
    if (!stored) return;
    const design = { ...stored.design, version } as unknown as Design;
    this.storage.designs.set(id, JSON.stringify({ ...stored, design, token: `other-${(this.tokens += 1)}` }));
    this.tell(null, id);
  }

  /** Where each accepted edit is that nobody has decided about. */
  lost(): string[] {
    const kept = new Set(this.asked);
    for (const id of this.storage.designs.keys())
      for (const mark of editsIn(this.storage.read(id)!.design.note)) kept.add(mark);
    for (const tab of this.tabs) for (const mark of tab.unsavedEdits()) kept.add(mark);
    return [...this.accepted].filter((mark) => !kept.has(mark));
  }
}

const MOODS: Mood[] = ["well", "well", "well", "fails", "full", "hangs", "lands unheard"];
const STEPS = 40;

/** One seeded sequence of everything that can happen. @returns the world, and the steps in words */
async function play(seed: number): Promise<{ world: World; log: string[] }> {
  const random = randomFrom(seed);
  const pick = <T>(list: T[]): T => list[Math.floor(random() * list.length)];
  const world = new World(1 + Math.floor(random() * 3));
  const log: string[] = [];
  for (const tab of world.tabs) await tab.designs.lay(pick(IDS));
  const acts: [string, (tab: Tab) => unknown][] = [
    ["edit", (tab) => world.edit(tab)],
    ["edit", (tab) => world.edit(tab)],
    ["edit", (tab) => world.edit(tab)],
    ["wait a little", () => world.clock.goOn(random() * 400)],
    ["wait long", () => world.clock.goOn(random() * 30_000)],
    ["undo", (tab) => world.undo(tab)],
    ["redo", (tab) => tab.designs.redo()],
    ["open", (tab) => tab.designs.lay(pick(IDS))],
    ["mood", () => void (world.storage.mood = pick(MOODS))],
    ["release", () => world.storage.release()],
    ["keep mine", (tab) => world.decide(tab, true)],
    ["take theirs", (tab) => world.decide(tab, false)],
    ["reload", (tab) => tab.reload(random() < 0.5)],
    ["save now", (tab) => void tab.designs.saveNow()],
    ["remove", () => random() < 0.3 && world.remove(pick(IDS), random() < 0.7)],
    ["newer version", () => random() < 0.1 && world.otherVersion(pick(IDS), DESIGN_VERSION + 1)],
  ];
  for (let step = 0; step < STEPS; step++) {
    const [name, act] = pick(acts);
    const tab = pick(world.tabs);
    log.push(`${world.tabs.indexOf(tab)} ${name}`);
    await act(tab);
    await settle();
  }
  world.storage.mood = "well";
  world.storage.release();
  await world.clock.goOn(60_000);
  return { world, log };
}

describe("saving, whatever goes wrong", () => {
  it("loses no accepted edit in 2,000 seeded sequences without the person having been asked", async () => {
    let conflicts = 0;
    let edits = 0;
    for (let seed = 1; seed <= 2000; seed++) {
      const { world, log } = await play(seed);
      expect({ seed, lost: world.lost(), log: world.lost().length > 0 ? log : [] }).toEqual({
        seed,
        lost: [],
        log: [],
      });
      edits += world.accepted.size;
      conflicts += world.tabs.filter((tab) => tab.state.saving.state === "conflict").length;
    }
    // The sequences do reach what they are about.
    expect(edits).toBeGreaterThan(10_000);
    expect(conflicts).toBeGreaterThan(100);
  });

  it("ends saved or asked: nothing waits for ever once the storage is well", async () => {
    for (let seed = 1; seed <= 200; seed++) {
      const { world } = await play(seed);
      for (const tab of world.tabs) void tab.designs.saveNow();
      await world.clock.goOn(60_000);
      for (const tab of world.tabs)
        for (const { saving } of tab.state.unsaved) expect(["conflict", "failed"]).toContain(saving.state);
    }
  });

  it("takes a write that landed unheard for its own, not for another tab's", async () => {
    const world = new World(1);
    const [tab] = world.tabs;
    await tab.designs.lay("pad");
    world.storage.mood = "lands unheard";
    world.edit(tab);
    await world.clock.goOn(1000);
    expect(tab.state.saving.state).toBe("failed");
    world.storage.mood = "well";
    world.edit(tab);
    await world.clock.goOn(1000);
    expect(tab.state.saving.state).toBe("saved");
    expect(world.storage.read("pad")!.design.note).toBe("e1 e2");
  });

  it("does not take the echo of its own save for another tab's", async () => {
    const world = new World(1);
    const [tab] = world.tabs;
    await tab.designs.lay("pad");
    world.edit(tab);
    await world.clock.goOn(1000);
    await tab.designs.heard("pad");
    expect(tab.state.saving.state).toBe("saved");
  });

  it("keeps an edit that was made while a write was on its way", async () => {
    const world = new World(1);
    const [tab] = world.tabs;
    await tab.designs.lay("pad");
    world.storage.mood = "hangs";
    world.edit(tab);
    await world.clock.goOn(400);
    expect(tab.state.saving.state).toBe("writing");
    world.edit(tab);
    world.storage.mood = "well";
    world.storage.release();
    await world.clock.goOn(1);
    expect(tab.state.saving.state).toBe("saved");
    expect(world.storage.read("pad")!.design.note).toBe("e1 e2");
  });

  it("puts an unsaved design aside and brings it back with its history", async () => {
    const world = new World(1);
    const [tab] = world.tabs;
    await tab.designs.lay("pad");
    world.storage.mood = "full";
    world.edit(tab);
    await tab.designs.lay("panel");
    await world.clock.goOn(1000);
    expect(tab.state.unsaved).toMatchObject([{ id: "pad", saving: { state: "failed", trouble: { kind: "full" } } }]);
    await tab.designs.lay("pad");
    expect(tab.text).toBe("e1");
    expect(tab.state.history!.past).toHaveLength(1);
  });

  it("refuses the other tab's version where this program cannot read it, and keeps what is here", async () => {
    const world = new World(1);
    const [tab] = world.tabs;
    await tab.designs.lay("pad");
    world.edit(tab);
    world.otherVersion("pad", DESIGN_VERSION + 1);
    await world.clock.goOn(1000);
    expect(tab.state.saving.state).toBe("conflict");
    tab.designs.keepTheirs();
    expect(tab.state.refusal).toContain("cannot be read here");
    expect(tab.text).toBe("e1");
    expect(tab.state.saving.state).toBe("conflict");
  });

  it("overwrites only what the person was shown", async () => {
    const world = new World(1);
    const [tab] = world.tabs;
    await tab.designs.lay("pad");
    world.edit(tab);
    world.otherVersion("pad", DESIGN_VERSION);
    await world.clock.goOn(1000);
    const shown = (tab.state.saving as { stored: StoredDesign }).stored.token;
    const stored = world.storage.read("pad")!;
    world.storage.designs.set("pad", JSON.stringify({ ...stored, token: "a third tab's" }));
    await tab.designs.keepMine();
    expect(shown).not.toBe("a third tab's");
    expect(tab.state.saving).toMatchObject({ state: "conflict", stored: { token: "a third tab's" } });
  });
});
