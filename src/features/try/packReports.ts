import type { TimedReport } from "@/core/engine/device";

/** How many lines of bytes stand under each other; what finds no room is a mark only (the list has them all). */
export const REPORT_ROWS = 4;

const SIGN_PX = 6.7;
const GAP_PX = 8;

/** A report's mark on the strip: where, and on which line its bytes stand. */
interface PackedReport {
  report: TimedReport;
  words: string;
  atPx: number;
  row: number | null;
}

/** The bytes up to the last that is not zero, three at least; "…" stands for zeros. */
function shortBytes(bytes: Uint8Array): string {
  const last = bytes.findLastIndex((byte) => byte !== 0);
  const shown = bytes.slice(0, Math.max(3, last + 1));
  const hex = Array.from(shown, (byte) => byte.toString(16).toUpperCase().padStart(2, "0")).join(" ");
  return shown.length < bytes.length ? `${hex} …` : hex;
}

/** Puts each report's bytes on the first line where they do not run into the ones before. */
export function packReports(reports: TimedReport[], x: (ms: number) => number): PackedReport[] {
  const freeFrom = new Array<number>(REPORT_ROWS).fill(-Infinity);
  return reports.map((report) => {
    const words = shortBytes(report.bytes);
    const atPx = x(report.atMs);
    const row = freeFrom.findIndex((from) => from <= atPx);
    if (row < 0) return { report, words, atPx, row: null };
    freeFrom[row] = atPx + words.length * SIGN_PX + GAP_PX;
    return { report, words, atPx, row };
  });
}
