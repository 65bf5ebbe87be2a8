import { withPieces } from "../../edits/buses";
import { PIECES } from "../../edits/pieces";
import type { Design } from "../../document/schema";
import { SCAN_US, millisecondOf } from "../../timing/millisecond";
import { type Fix, type Rule } from "../finding";

/** What a scan takes with the longest piece of a display; lights are sent in scans of their own. */
function withDisplay(design: Design, mostPiece = Infinity): number {
  return millisecondOf(design, mostPiece).worstUs;
}

function cures(design: Design): Fix[] {
  const piece = PIECES.find((bytes) => withDisplay(design, bytes) <= SCAN_US);
  if (piece === undefined) return [];
  return [{ title: `Send displays in pieces of ${piece} bytes`, apply: (d) => withPieces(d, piece) }];
}

/** A scan that takes longer than its millisecond. */
export const lateScan: Rule = {
  id: "circuits/late-scan",
  stage: "circuits",
  severity: "note",
  why: "The runtime counts elapsed milliseconds, so nothing is lost by a late scan but time: each press is told later.",
  source:
    "reading, deciding and what is written in the same scan; deciding is an estimate from scans on the simulated chip",
  check(design) {
    const us = withDisplay(design);
    if (us <= SCAN_US) return [];
    const { shares } = millisecondOf(design);
    const longest = shares.filter(({ sort }) => sort !== "lights").reduce((a, b) => (b.us > a.us ? b : a));
    return [
      {
        message: `A scan takes up to ${(us / 1000).toFixed(1)} ms, most of it ${longest.what}: presses are told so much later.`,
        subjects: [],
        fixes: cures(design),
      },
    ];
  },
};
