import "fake-indexeddb/auto";
import { openDB } from "idb";
import { beforeEach, describe, expect, it } from "vitest";
import { finishedPad } from "../../tests/support/designs";
import { noteRevision, writeEntry } from "@/core/edits/journal";
import { designArchive } from "@/core/formats/designArchive";
import type { Attached } from "@/core/journal/attached";
import { openDatabase } from "./database";
import { saveDesign } from "./designRepository";
import { attach, attachCopy, attachedTo, forgetRuns, getRecord, putRecords, runsOf, sweepRecords } from "./records";
import { addCopy, importFiles, useShelf } from "./shelf";

const at = "2026-03-01T10:00:00Z";
const design = noteRevision(writeEntry(finishedPad(), { id: "seen", at, kind: "note", text: "", photos: ["front"] }), {
  id: "first",
  at,
  text: "Revision 1",
});
const photo = (id: string, byte: number) => ({
  id,
  mediaType: "image/jpeg",
  bytes: Uint8Array.from([0xff, 0xd8, 0xff, byte]),
});
const run = (id: string, day: number) => ({
  id,
  at: `2026-03-0${day}T10:00:00Z`,
  sort: "press" as const,
  seconds: 1,
  of: {},
});
const beside: Attached = {
  photos: [photo("front", 1)],
  revisions: [{ id: "first", design: finishedPad() }],
  runs: [run("b", 1), run("a", 2)],
};

beforeEach(async () => {
  const database = await openDatabase();
  for (const store of ["designs", "records", "settings"] as const) await database.clear(store);
});

describe("what lies beside a design", () => {
  it("comes back as it was laid, practice by its day", async () => {
    await attach(design.id, beside);
    expect(await attachedTo(design)).toEqual(beside);
    expect((await runsOf(design.id)).map(({ id }) => id)).toEqual(["b", "a"]);
    expect(await getRecord(design.id, "photo", "front")).toEqual(beside.photos[0]);
    expect(await getRecord(design.id, "photo", "none")).toBeNull();
  });

  it("is only what its own journal speaks of", async () => {
    await attach(design.id, { ...beside, photos: [...beside.photos, photo("stray", 2)] });
    await attach("another", { ...beside, photos: [photo("front", 9)] });
    expect((await attachedTo(design)).photos).toEqual(beside.photos);
    expect((await attachedTo({ ...design, journal: [] })).photos).toEqual([]);
  });

  it("is replaced under the same id, and practice can be forgotten by itself", async () => {
    await attach(design.id, beside);
    await putRecords(design.id, "photo", [photo("front", 7)]);
    await forgetRuns(design.id);
    const now = await attachedTo(design);
    expect(now.photos[0].bytes[3]).toBe(7);
    expect([now.runs.length, now.revisions.length]).toEqual([0, 1]);
  });

  it("also lies beside a copy, but for practice", async () => {
    await saveDesign(design, null, "t", new Date(at));
    await attach(design.id, beside);
    const id = (await addCopy(design))!;
    const copy = useShelf.getState().designs!.find((one) => one.id === id)!.design;
    expect(await attachedTo(copy)).toEqual({ ...beside, runs: [] });
    await attachCopy({ ...design, journal: [] }, "bare");
    expect(await attachedTo({ ...design, id: "bare" })).toMatchObject({ photos: [], revisions: [] });
  });

  it("stays a month after its design left the shelf, and as long as the design lies there", async () => {
    const day = 24 * 3600_000;
    await attach(design.id, beside);
    await sweepRecords(0);
    await sweepRecords(29 * day);
    expect((await attachedTo(design)).photos).toHaveLength(1);
    // Put back in between: the month begins anew when it leaves again.
    await saveDesign(design, null, "t", new Date(at));
    await sweepRecords(40 * day);
    await (await openDatabase()).delete("designs", design.id);
    await sweepRecords(50 * day);
    await sweepRecords(79 * day);
    expect((await attachedTo(design)).photos).toHaveLength(1);
    await sweepRecords(81 * day);
    expect((await attachedTo(design)).photos).toHaveLength(0);
  });
});

describe("an archive on the shelf", () => {
  const fileOf = async () => {
    const made = await designArchive.make(design, beside);
    if (!made.ok) throw new Error("not made");
    return new File([made.value.bytes as Uint8Array<ArrayBuffer>], made.value.fileName);
  };

  it("becomes a design with all that lay beside it, under an id of its own where the first is taken", async () => {
    const first = await importFiles([await fileOf()]);
    expect(first.taken).toEqual([design.id]);
    const second = await importFiles([await fileOf()]);
    expect(second.taken[0]).not.toBe(design.id);
    for (const id of [...first.taken, ...second.taken]) expect(await attachedTo({ ...design, id })).toEqual(beside);
  });

  it("that is broken is refused, and one that is not whole is told", async () => {
    const whole = await fileOf();
    const { refused } = await importFiles([new File([whole.slice(0, 300)], "cut.zip")]);
    expect(refused).toMatchObject([
      { fileName: "cut.zip", problems: [{ message: "The file is not a whole ZIP archive." }] },
    ]);
    const made = await designArchive.make(design);
    if (!made.ok) throw new Error("not made");
    const { taken, left } = await importFiles([new File([made.value.bytes as Uint8Array<ArrayBuffer>], "bare.zip")]);
    expect([taken.length, left[0].problems.length]).toEqual([1, 2]);
  });
});

describe("a database of an older version", () => {
  it("gets a place for records, and keeps its designs", async () => {
    const name = "older";
    const old = await openDB(name, 2, {
      upgrade(database) {
        database.createObjectStore("designs", { keyPath: "id" });
        database.createObjectStore("settings");
      },
    });
    await old.put("designs", { id: "d", design, token: "t", savedAt: at });
    old.close();
    const { upgrade } = await import("./database");
    const now = await openDB(name, 3, { upgrade: upgrade as never });
    expect([...now.objectStoreNames]).toEqual(["designs", "records", "settings"]);
    expect(await now.get("designs", "d")).toMatchObject({ token: "t" });
  });
});
