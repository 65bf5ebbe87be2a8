import { stemOf } from "../fileStem";
import type { Result } from "../document/problem";
import type { Design } from "../document/schema";
import type { Attached } from "../journal/attached";

/** A file to hand out. */
export interface ExportedFile {
  fileName: string;
  mediaType: string;
  bytes: Uint8Array;
}

/** One thing a design can be exported as. A new one is one file that exports this, and one line in the registry. */
export interface Artifact {
  id: string;
  title: string;
  /** What it is good for, in a short sentence. */
  purpose: string;
  /** Also what lies beside the design goes into it, where there is any. */
  make(design: Design, attached?: Attached): Promise<Result<ExportedFile>>;
}

/** UTF-8 bytes of a text; the core has no TextEncoder. */
export function utf8(text: string): Uint8Array {
  const bytes: number[] = [];
  for (const sign of text) {
    const point = sign.codePointAt(0)!;
    if (point < 0x80) bytes.push(point);
    else if (point < 0x800) bytes.push(0xc0 | (point >> 6), 0x80 | (point & 63));
    else if (point < 0x10000) bytes.push(0xe0 | (point >> 12), 0x80 | ((point >> 6) & 63), 0x80 | (point & 63));
    else bytes.push(0xf0 | (point >> 18), 0x80 | ((point >> 12) & 63), 0x80 | ((point >> 6) & 63), 0x80 | (point & 63));
  }
  return Uint8Array.from(bytes);
}

/** Files in archives get one fixed date, so that the same design gives the same archive. */
export const FILE_DATE = "2000-01-01T00:00:00";

/** A design's name as part of a file name. */
export const fileStem = (design: Design): string => stemOf(design.name, "design");

/** A cell that a spreadsheet would take for a formula is quoted as text. */
export const asText = (value: string) => (/^[=+\-@\t]/.test(value) ? `'${value}` : value);
