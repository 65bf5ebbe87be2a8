import { zipSync } from "fflate";
import { good } from "../document/problem";
import type { Design } from "../document/schema";
import { type Attached, nothingAttached } from "../journal/attached";
import { type Artifact, FILE_DATE, fileStem, utf8 } from "./artifact";
import { designText } from "./designJson";
import { journalTable } from "./journalCsv";

/** The names of what an archive holds; `readArchive` goes by the same. */
export const ARCHIVE = {
  design: "design.ovrin.json",
  photos: "photos/",
  revisions: "revisions/",
  practice: "practice.json",
  journal: "journal.csv",
};

const ENDINGS: Record<string, string> = { "image/jpeg": "jpg", "image/png": "png", "image/webp": "webp" };

/** Pictures are packed already: pressing them once more costs time and saves nothing. */
const asItIs = { level: 0 } as const;

function filesOf(design: Design, { photos, revisions, runs }: Attached) {
  const entries: [string, Uint8Array | [Uint8Array, { level: 0 }]][] = [
    [ARCHIVE.design, utf8(designText(design))],
    [ARCHIVE.journal, journalTable(design)],
    ...revisions.map((one): [string, Uint8Array] => [
      `${ARCHIVE.revisions}${one.id}.json`,
      utf8(designText(one.design)),
    ]),
    ...photos.map(({ id, mediaType, bytes }): [string, [Uint8Array, { level: 0 }]] => [
      `${ARCHIVE.photos}${id}.${ENDINGS[mediaType] ?? "jpg"}`,
      [bytes, asItIs],
    ]),
  ];
  if (runs.length > 0) entries.push([ARCHIVE.practice, utf8(`${JSON.stringify(runs)}\n`)]);
  return entries;
}

export const designArchive: Artifact = {
  id: "design-archive",
  title: "Design with its record",
  purpose:
    "One archive of the design, its photos, its frozen revisions and the practice on it; it can be opened again.",
  make: async (design, attached = nothingAttached) =>
    good({
      fileName: `${fileStem(design)}.ovrin.zip`,
      mediaType: "application/zip",
      bytes: zipSync(Object.fromEntries(filesOf(design, attached)), { mtime: FILE_DATE, level: 6 }),
    }),
};
