import type { TimedReport } from "@/core/engine/device";
import { derive } from "@/core/derived/derive";
import type { Design } from "@/core/document/schema";
import { scannedSwitches } from "@/core/firmware/scannedSwitches";
import { scanTableOf } from "@/core/firmware/scanTable";
import type { Change } from "@/store/sessionState";

/** Of each part's switches, by their elements. */
function switchesOf(design: Design): Set<string>[] {
  return derive(design).once("switches of parts", () => {
    const { switches } = scannedSwitches(design);
    const ends = scanTableOf(design).parts.map((part) => part.switches);
    return ends.map((end, nth) => new Set(switches.slice(nth === 0 ? 0 : ends[nth - 1], end)));
  });
}

/** By part, the ms from the last press of a key that a report followed, with no other press between them, to that report; null without one. */
export function pressToReport(design: Design, contacts: Change[], reports: TimedReport[]): (number | null)[] {
  const presses = contacts.filter(({ on }) => on);
  return switchesOf(design).map((own) => {
    for (let nth = presses.length - 1; nth >= 0; nth--) {
      const { id, atMs } = presses[nth];
      if (!own.has(id)) continue;
      const until = presses[nth + 1]?.atMs ?? Infinity;
      const report = reports.find((one) => one.atMs >= atMs && one.atMs < until);
      if (report) return report.atMs - atMs;
    }
    return null;
  });
}
