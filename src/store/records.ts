import type { Design } from "@/core/document/schema";
import type { Attached, FrozenDesign, Photo } from "@/core/journal/attached";
import type { PracticeRun } from "@/core/practice/run";
import { type StoredRecord, openDatabase } from "./database";

interface Values {
  photo: Photo;
  revision: FrozenDesign;
  run: PracticeRun;
}

type Sort = keyof Values;

const keyOf = (designId: string, sort: Sort, id: string) => `${designId}/${sort}/${id}`;

/** Lays records of one sort beside a design; what has the same id is replaced. All of them, or none. */
export async function putRecords<S extends Sort>(designId: string, sort: S, values: Values[S][]): Promise<void> {
  const transaction = (await openDatabase()).transaction("records", "readwrite");
  for (const value of values)
    await transaction.store.put({ key: keyOf(designId, sort, value.id), designId, sort, value });
  await transaction.done;
}

export async function getRecord<S extends Sort>(designId: string, sort: S, id: string): Promise<Values[S] | null> {
  const found = await (await openDatabase()).get("records", keyOf(designId, sort, id));
  return (found?.value as Values[S] | undefined) ?? null;
}

const allOf = async (designId: string): Promise<StoredRecord[]> =>
  (await openDatabase()).getAllFromIndex("records", "byDesign", designId);

/** Bouts of practice, the oldest first. */
export async function runsOf(designId: string): Promise<PracticeRun[]> {
  const all = await allOf(designId);
  const runs = all.flatMap(({ sort, value }) => (sort === "run" ? [value as PracticeRun] : []));
  return runs.sort((a, b) => (a.at < b.at ? -1 : 1));
}

export async function forgetRuns(designId: string): Promise<void> {
  const transaction = (await openDatabase()).transaction("records", "readwrite");
  const all = await transaction.store.index("byDesign").getAll(designId);
  for (const { key, sort } of all) if (sort === "run") await transaction.store.delete(key);
  await transaction.done;
}

/** What lies beside a design and belongs to it: photos and revisions that its journal speaks of, and all practice. */
export async function attachedTo({ id, journal }: Design): Promise<Attached> {
  const all = await allOf(id);
  const photoIds = new Set(journal.flatMap((entry) => entry.photos ?? []));
  const revisionIds = new Set(journal.flatMap((entry) => (entry.kind === "revision" ? [entry.id] : [])));
  const of = <S extends Sort>(sort: S) => all.flatMap((one) => (one.sort === sort ? [one.value as Values[S]] : []));
  return {
    photos: of("photo").filter((photo) => photoIds.has(photo.id)),
    revisions: of("revision").filter((one) => revisionIds.has(one.id)),
    runs: of("run").sort((a, b) => (a.at < b.at ? -1 : 1)),
  };
}

/** Lays what came with a file beside the design that it became. */
export async function attach(designId: string, { photos, revisions, runs }: Attached): Promise<void> {
  await putRecords(designId, "photo", photos);
  await putRecords(designId, "revision", revisions);
  await putRecords(designId, "run", runs);
}

/** What lay beside one design also lies beside its copy; practice is a person's with a device, and stays with the first. */
export async function attachCopy(from: Design, toId: string): Promise<void> {
  const { photos, revisions } = await attachedTo(from);
  await attach(toId, { photos, revisions, runs: [] });
}

const ORPHANS = "records-without-design";
/** A design that was taken off the shelf can be put back with all that belongs to it; after so long nobody will. */
const KEPT_MS = 30 * 24 * 3600_000;

/** Lets go of what lay beside designs that have been off the shelf for a month. */
export async function sweepRecords(now: number): Promise<void> {
  const transaction = (await openDatabase()).transaction(["designs", "records", "settings"], "readwrite");
  const [records, settings] = [transaction.objectStore("records"), transaction.objectStore("settings")];
  const there = new Set(await transaction.objectStore("designs").getAllKeys());
  const since = new Map((await settings.get(ORPHANS)) as [string, number][] | undefined);
  const orphans = new Map<string, number>();
  for (const key of await records.getAllKeys()) {
    const [designId] = key.split("/");
    if (there.has(designId)) continue;
    const from = since.get(designId) ?? now;
    if (now - from > KEPT_MS) await records.delete(key);
    else orphans.set(designId, from);
  }
  await settings.put([...orphans], ORPHANS);
  await transaction.done;
}
