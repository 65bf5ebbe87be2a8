import "fake-indexeddb/auto";
import { beforeEach, describe, expect, it, vi } from "vitest";
import { demoDesigns } from "../../demo";
import { finishedPad } from "../../tests/support/designs";
import { addControl, shiftControls } from "@/core/edits/controls";
import { designText } from "@/core/formats/designJson";
import {
  edit,
  keepMine,
  openOnBench,
  redoEdit,
  saveNow,
  keepTheirs,
  undoEdit,
  understoodRefusal,
  useBench,
} from "./bench";
import { select, useHand } from "./hand";
import { openDatabase } from "./database";
import { listDesigns, loadDesign, saveDesign, seedDemos } from "./designRepository";
import { advance, redo, startHistory, undo } from "./history";
import {
  addCopy,
  addNew,
  importFiles,
  openShelf,
  refreshShelf,
  removeFromShelf,
  renameOnShelf,
  useShelf,
} from "./shelf";
import { troubleOf } from "./storeTrouble";

const now = new Date("2026-03-04T05:06:07Z");
const nudged = (by: number) => shiftControls(finishedPad(), ["k1"], by, 0);
const xOf = (id = "k1") =>
  useBench.getState().history!.design.controls.find((control) => control.id === id)!.placement.xMm;

beforeEach(async () => {
  await openOnBench(`none-${Math.random()}`);
  const database = await openDatabase();
  await database.clear("designs");
  await database.clear("settings");
  await refreshShelf();
});

describe("history", () => {
  it("goes back and forth through every step with its title", () => {
    const start = startHistory(nudged(0));
    const two = advance(advance(start, nudged(1), "one"), nudged(2), "two");
    const back = undo(undo(two));
    expect(back.design).toBe(start.design);
    expect(back.future.map((step) => step.title)).toEqual(["two", "one"]);
    expect(redo(redo(back)).design).toBe(two.design);
  });

  it("forgets what was undone when something new is done", () => {
    const changed = advance(undo(advance(startHistory(nudged(0)), nudged(1), "one")), nudged(5), "five");
    expect(changed.future).toEqual([]);
    expect(redo(changed)).toBe(changed);
  });

  it("takes no step for an edit that changes nothing", () => {
    const start = startHistory(nudged(0));
    expect(advance(start, start.design, "nothing")).toBe(start);
  });
});

describe("the repository", () => {
  it("keeps a design, saved from the save it was made from", async () => {
    await saveDesign(finishedPad(), null, "t1", now);
    expect(await saveDesign(nudged(3), "t1", "t2", now)).toEqual({ saved: true });
    expect((await loadDesign("pad"))!.design).toEqual(nudged(3));
  });

  it("refuses to overwrite what another tab has saved meanwhile", async () => {
    await saveDesign(finishedPad(), null, "t1", now);
    await saveDesign(nudged(1), "t1", "t2", now);
    const refused = await saveDesign(nudged(9), "t1", "t3", now);
    expect(refused).toMatchObject({ saved: false, stored: { token: "t2" } });
    expect((await loadDesign("pad"))!.design).toEqual(nudged(1));
  });

  it("compares saves by their token, not by its order", async () => {
    await saveDesign(finishedPad(), null, "z", now);
    await saveDesign(nudged(1), "z", "a", now);
    expect(await saveDesign(nudged(9), "z", "b", now)).toMatchObject({ saved: false, stored: { token: "a" } });
    expect(await saveDesign(nudged(9), null, "b", now)).toMatchObject({ saved: false });
  });

  it("lays the demos out once only, also after they were deleted", async () => {
    await seedDemos(async () => demoDesigns, now);
    expect((await listDesigns()).map((stored) => stored.id).sort()).toEqual([
      "glasshouse",
      "kestrel",
      "loom-64",
      "reedling",
      "tern",
    ]);
    await (await openDatabase()).clear("designs");
    await seedDemos(async () => demoDesigns, now);
    expect(await listDesigns()).toEqual([]);
  });
});

describe("the bench", () => {
  it("saves an edit by itself and survives being opened anew", async () => {
    await saveDesign(finishedPad(), null, "t1", now);
    await openOnBench("pad");
    edit("nudge", (design) => shiftControls(design, ["k1"], 4, 0));
    expect(useBench.getState().saving.state).toBe("waiting");
    await vi.waitFor(() => expect(useBench.getState().saving.state).toBe("saved"));
    expect((await loadDesign("pad"))!.design.controls[0].placement.xMm).toBe(4);
  });

  it("undoes and redoes, and saves that too", async () => {
    await saveDesign(finishedPad(), null, "t1", now);
    await openOnBench("pad");
    edit("nudge", (design) => shiftControls(design, ["k1"], 4, 0));
    undoEdit();
    expect(xOf()).toBe(0);
    redoEdit();
    undoEdit();
    await saveNow();
    expect((await loadDesign("pad"))!.design.controls[0].placement.xMm).toBe(0);
  });

  it("lets go of what an undone step had made", async () => {
    await saveDesign(finishedPad(), null, "t1", now);
    await openOnBench("pad");
    edit("remove", (design) => ({ ...design, controls: design.controls.filter((control) => control.id !== "k1") }));
    undoEdit();
    select(["k1"]);
    redoEdit();
    expect(useHand.getState().selection).toEqual([]);
  });

  it("tells of a change in another tab and overwrites nothing until it is told to", async () => {
    await saveDesign(finishedPad(), null, "t1", now);
    await openOnBench("pad");
    await saveDesign(nudged(7), "t1", "t2", now);
    edit("nudge", (design) => shiftControls(design, ["k1"], 2, 0));
    await saveNow();
    expect(useBench.getState().saving.state).toBe("conflict");
    expect((await loadDesign("pad"))!.design.controls[0].placement.xMm).toBe(7);
    await keepMine();
    expect((await loadDesign("pad"))!.design.controls[0].placement.xMm).toBe(2);
    expect(useBench.getState().saving.state).toBe("saved");
  });

  it("can take the other tab's version, and undo that", async () => {
    await saveDesign(finishedPad(), null, "t1", now);
    await openOnBench("pad");
    await saveDesign(nudged(7), "t1", "t2", now);
    edit("nudge", (design) => shiftControls(design, ["k1"], 2, 0));
    await saveNow();
    keepTheirs();
    expect(xOf()).toBe(7);
    undoEdit();
    expect(xOf()).toBe(2);
  });

  it("refuses an edit that makes more parts than a design holds, and says so", async () => {
    await saveDesign(finishedPad(), null, "t1", now);
    await openOnBench("pad");
    const before = useBench.getState().history!.design;
    const many = (count: number) =>
      edit("put keys", (design) =>
        Array.from({ length: count }, (_, at) => at).reduce(
          (grown, at) =>
            addControl(grown, "key", `many${at}`, {
              xMm: 20 * (at % 50),
              yMm: 20 * Math.floor(at / 50),
              rotationDeg: 0,
              boardId: before.boards[0].id,
            }),
          design,
        ),
      );
    many(1001 - before.controls.length);
    expect(useBench.getState().history!.design).toBe(before);
    expect(useBench.getState().refusal).toBe("Not done: The parts are 1001; a design holds 1000.");
    understoodRefusal();
    expect(useBench.getState().refusal).toBeNull();
    edit("far away", (design) => shiftControls(design, ["k1"], 3000, 0));
    expect(useBench.getState().refusal).toBe("Not done: K1, x (mm) is more than 2000.");
    expect(useBench.getState().history!.design).toBe(before);
    many(1000 - before.controls.length);
    expect(useBench.getState().refusal).toBeNull();
    expect(useBench.getState().history!.design.controls).toHaveLength(1000);
  });

  it("says when a design is not there or cannot be read", async () => {
    await openOnBench("nowhere");
    expect((await listDesigns()).map((stored) => stored.id).sort()).toEqual([
      "dunlin",
      "glasshouse",
      "kestrel",
      "loom-64",
      "loom-64-in-two",
      "reedling",
      "tern",
    ]);
    expect(useBench.getState().status).toBe("missing");
    await (
      await openDatabase()
    ).put("designs", { id: "bad", design: { format: "ovrin-design", version: 99 } as never, token: "t", savedAt: "" });
    await openOnBench("bad");
    expect(useBench.getState()).toMatchObject({ status: "unreadable" });
    expect(useBench.getState().problem).toContain("up to version 8");
  });

  it("keeps the design and says so when the storage is full, and saves once there is room", async () => {
    await saveDesign(finishedPad(), null, "t1", now);
    await openOnBench("pad");
    const full = vi.spyOn(IDBObjectStore.prototype, "put").mockImplementation(() => {
      throw new DOMException("no room", "QuotaExceededError");
    });
    edit("nudge", (design) => shiftControls(design, ["k1"], 4, 0));
    await saveNow();
    expect(useBench.getState().saving).toMatchObject({ state: "failed", trouble: { kind: "full" } });
    expect(xOf()).toBe(4);
    full.mockRestore();
    await saveNow();
    expect((await loadDesign("pad"))!.design.controls[0].placement.xMm).toBe(4);
  });
});

describe("trouble with the storage", () => {
  it("is told with the way out", () => {
    expect(troubleOf(new DOMException("", "QuotaExceededError")).message).toContain("Export it now");
    expect(troubleOf(new DOMException("", "InvalidStateError"))).toMatchObject({ kind: "unavailable" });
    expect(troubleOf(new Error("odd")).message).toContain("odd");
  });
});

describe("the shelf", () => {
  const file = (text: string, name = "pad.json") => new File([text], name);

  it("has the demos on the first visit", async () => {
    await openShelf();
    expect(useShelf.getState().designs).toHaveLength(7);
  });

  it("takes a file under a name and id of its own when both are there already", async () => {
    await importFiles([file(designText(finishedPad()))]);
    const { taken, refused } = await importFiles([file(designText(nudged(9)))]);
    expect(refused).toEqual([]);
    expect(taken[0]).not.toBe("pad");
    expect(
      useShelf
        .getState()
        .designs!.map(({ design }) => design.name)
        .sort(),
    ).toEqual(["Pad", "Pad 2"]);
    expect((await loadDesign("pad"))!.design.controls[0].placement.xMm).toBe(0);
  });

  it("takes the good files of several and says what is wrong with the others", async () => {
    const { taken, refused } = await importFiles([
      file("{", "cut.json"),
      file(designText(finishedPad())),
      file("x".repeat(20 * 1024 * 1024), "huge.json"),
    ]);
    expect(taken).toEqual(["pad"]);
    expect(refused.map((one) => one.fileName)).toEqual(["cut.json", "huge.json"]);
    expect(refused[1].problems[0].message).toBe(
      "The file has 20.0 MB. Design files are far smaller; up to 4.0 MB are read.",
    );
  });

  it("renames, copies, removes and puts back", async () => {
    const id = (await addNew("New device"))!;
    await renameOnShelf(id, "Panel");
    await addCopy((await loadDesign(id))!.design);
    expect(
      useShelf
        .getState()
        .designs!.map(({ design }) => design.name)
        .sort(),
    ).toEqual(["Panel", "Panel 2"]);
    const putBack = (await removeFromShelf(id))!;
    expect(await loadDesign(id)).toBeUndefined();
    expect(await putBack()).toEqual({ id, name: "Panel", beside: false });
    expect((await loadDesign(id))!.design.name).toBe("Panel");
  });

  it("does not put a removed design back over what another tab has saved since", async () => {
    await saveDesign(finishedPad(), null, "t1", now);
    const putBack = (await removeFromShelf("pad"))!;
    await saveDesign(nudged(5), null, "t2", now);
    expect(await putBack()).toMatchObject({ name: "Pad 2", beside: true });
    expect((await loadDesign("pad"))!.design.controls[0].placement.xMm).toBe(5);
  });

  it("removes nothing twice", async () => {
    expect(await removeFromShelf("nowhere")).toBeNull();
  });
});
