import type { Design } from "../document/schema";
import type { PracticeRun } from "../practice/run";

/** A photo of the record, shrunk. */
export interface Photo {
  id: string;
  mediaType: string;
  bytes: Uint8Array;
}

/** A device as it was frozen, under the id of its entry in the journal. */
export interface FrozenDesign {
  id: string;
  design: Design;
}

/** What lies beside a design in the browser: too large, or too much a person's own, to be part of it. */
export interface Attached {
  photos: Photo[];
  revisions: FrozenDesign[];
  runs: PracticeRun[];
}

export const nothingAttached: Attached = { photos: [], revisions: [], runs: [] };

/** A photo at 1600 pixels has some 300 KB. */
export const MOST_PHOTO_BYTES = 8 * 1024 * 1024;

const SIGNATURES: [mediaType: string, at: number, bytes: number[]][] = [
  ["image/jpeg", 0, [0xff, 0xd8, 0xff]],
  ["image/png", 0, [0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a]],
  ["image/webp", 8, [0x57, 0x45, 0x42, 0x50]],
];

/** What a picture is by its first bytes (ITU-T T.81 B.1.1, ISO/IEC 15948 5.2, RFC 9649); null where it is none that is taken. */
export const pictureType = (bytes: Uint8Array): string | null =>
  SIGNATURES.find(([, at, sign]) => sign.every((byte, nth) => bytes[at + nth] === byte))?.[0] ?? null;
