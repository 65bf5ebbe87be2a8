import { type UnzipFileInfo, strFromU8, unzipSync } from "fflate";
import { type Problem, type Result, bad, good } from "../document/problem";
import type { Design } from "../document/schema";
import { type Attached, type Photo, MOST_PHOTO_BYTES, pictureType } from "../journal/attached";
import { practiceRunsSchema } from "../practice/run";
import { ARCHIVE } from "./designArchive";
import { MOST_DESIGN_BYTES } from "./designBytes";
import { readDesignText } from "./readDesignText";

/** So much may an archive unpack to: some thousand photos. */
export const MOST_ARCHIVE_BYTES = 400 * 1024 * 1024;
const MOST_FILES = 20_000;

export interface ReadArchive {
  design: Design;
  attached: Attached;
  /** What was left out, and why. */
  left: Problem[];
}

type Files = Record<string, Uint8Array>;

const limitOf = (name: string) => (name.startsWith(ARCHIVE.photos) ? MOST_PHOTO_BYTES : MOST_DESIGN_BYTES);

/** Unpacks what belongs to a design; sizes are looked at before anything is unpacked. */
function unpacked(bytes: Uint8Array): Result<Files> {
  let total = 0;
  let count = 0;
  const isWanted = ({ name, originalSize }: UnzipFileInfo) => {
    const isOurs =
      name === ARCHIVE.design ||
      name === ARCHIVE.practice ||
      name.startsWith(ARCHIVE.photos) ||
      name.startsWith(ARCHIVE.revisions);
    if (!isOurs || originalSize > limitOf(name)) return false;
    total += originalSize;
    count += 1;
    if (total > MOST_ARCHIVE_BYTES || count > MOST_FILES) throw new Error("too much");
    return true;
  };
  try {
    return good(unzipSync(bytes, { filter: isWanted }));
  } catch {
    const why =
      total > MOST_ARCHIVE_BYTES || count > MOST_FILES
        ? `unpacks to more than ${MOST_ARCHIVE_BYTES / 1024 / 1024} MB or ${MOST_FILES} files`
        : "is not a whole ZIP archive";
    return bad({ path: "", message: `The file ${why}.` });
  }
}

const idIn = (name: string, folder: string) => name.slice(folder.length).replace(/\.[a-z]+$/, "");

const inFolder = (files: Files, folder: string) =>
  Object.entries(files).filter(([name]) => name.startsWith(folder) && name.length > folder.length);

function photosIn(files: Files, wanted: Set<string>, left: Problem[]): Photo[] {
  return inFolder(files, ARCHIVE.photos).flatMap(([name, bytes]) => {
    const id = idIn(name, ARCHIVE.photos);
    const mediaType = pictureType(bytes);
    if (mediaType === null) left.push({ path: name, message: "is no JPEG, PNG or WebP picture, and was left out" });
    else if (!wanted.has(id))
      left.push({ path: name, message: "belongs to no entry of the journal, and was left out" });
    else return [{ id, mediaType, bytes }];
    return [];
  });
}

function revisionsIn(files: Files, wanted: Set<string>, left: Problem[]): Attached["revisions"] {
  return inFolder(files, ARCHIVE.revisions).flatMap(([name, bytes]) => {
    const id = idIn(name, ARCHIVE.revisions);
    const read = readDesignText(strFromU8(bytes));
    if (!read.ok)
      left.push({ path: name, message: `was left out: ${read.problems[0].path} ${read.problems[0].message}` });
    else if (!wanted.has(id)) left.push({ path: name, message: "is no revision of the journal, and was left out" });
    else return [{ id, design: read.value }];
    return [];
  });
}

function runsIn(files: Files, left: Problem[]): Attached["runs"] {
  if (!Object.hasOwn(files, ARCHIVE.practice)) return [];
  try {
    const read = practiceRunsSchema.safeParse(JSON.parse(strFromU8(files[ARCHIVE.practice])));
    if (read.success) return read.data;
  } catch {
    // Told below.
  }
  left.push({ path: ARCHIVE.practice, message: "is not as practice is kept, and was left out" });
  return [];
}

/** What the journal speaks of and the archive does not have. */
function missing({ journal }: Design, photos: Photo[], revisions: Attached["revisions"]): Problem[] {
  const [seen, frozen] = [new Set(photos.map(({ id }) => id)), new Set(revisions.map(({ id }) => id))];
  const gone = journal.flatMap((entry) => entry.photos ?? []).filter((id) => !seen.has(id)).length;
  const lost = journal.filter(({ kind, id }) => kind === "revision" && !frozen.has(id)).length;
  return [
    ...(gone > 0 ? [{ path: "photos", message: `${gone} of the journal's are not in the archive` }] : []),
    ...(lost > 0 ? [{ path: "revisions", message: `${lost} of the journal's are not in the archive` }] : []),
  ];
}

/**
 * Reads a design with its record.
 * @returns the design with what lies beside it and what had to be left out, or why there is no design in the file
 */
export function readArchive(bytes: Uint8Array): Result<ReadArchive> {
  const files = unpacked(bytes);
  if (!files.ok) return files;
  if (!Object.hasOwn(files.value, ARCHIVE.design))
    return bad({
      path: "",
      message: `The archive has no ${ARCHIVE.design} of at most ${MOST_DESIGN_BYTES / 1024 / 1024} MB.`,
    });
  const read = readDesignText(strFromU8(files.value[ARCHIVE.design]));
  if (!read.ok) return read;
  const design = read.value;
  const left: Problem[] = [];
  const photoIds = new Set(design.journal.flatMap((entry) => entry.photos ?? []));
  const revisionIds = new Set(design.journal.flatMap(({ kind, id }) => (kind === "revision" ? [id] : [])));
  const photos = photosIn(files.value, photoIds, left);
  const revisions = revisionsIn(files.value, revisionIds, left);
  const runs = runsIn(files.value, left);
  return good({
    design,
    attached: { photos, revisions, runs },
    left: [...left, ...missing(design, photos, revisions)],
  });
}
