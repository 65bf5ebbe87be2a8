import { placeControls } from "../../edits/controls";
import { readingRows } from "../../geometry/readingOrder";
import type { Rule } from "../finding";

const LETTERS = "QWERTYUIOPASDFGHJKLZXCVBNM1234567890";
/** So many neighbours in the wrong order are no accident. */
const ENOUGH = 3;

/** Whether the row's labels run against the order that digits and letters have on a keyboard. */
function runsBackwards(labels: string[]): number {
  let backwards = 0;
  for (let nth = 1; nth < labels.length; nth++) {
    const [a, b] = [LETTERS.indexOf(labels[nth - 1]), LETTERS.indexOf(labels[nth])];
    if (a < 0 || b < 0) continue;
    if (b === a - 1) backwards += 1;
    if (b === a + 1) backwards -= 1;
  }
  return backwards;
}

export const readsBackwards: Rule = {
  id: "layout/mirrored-drawing",
  stage: "layout",
  severity: "warn",
  why: "A layout taken over from a drawing of the solder side is mirrored; a plate ordered from it fits nobody's hand.",
  source: "order of letters and digits in rows: common practice",
  check(design) {
    const keys = design.controls.filter(({ kind }) => kind === "key");
    const rows = readingRows(
      keys.map((key) => ({ id: key.id, at: key.placement })),
      design.pitch.yMm / 2,
    );
    const label = new Map(keys.map((key) => [key.id, key.label.toUpperCase()]));
    const backwards = rows.reduce(
      (sum, row) => sum + Math.max(0, runsBackwards(row.map(({ id }) => label.get(id)!))),
      0,
    );
    if (backwards < ENOUGH) return [];
    const middle = keys.reduce((sum, { placement }) => sum + placement.xMm, 0) / keys.length;
    const mirrored = new Map(
      design.controls.map(({ id, placement }) => [
        id,
        { xMm: Math.round((2 * middle - placement.xMm) * 1000) / 1000, rotationDeg: -placement.rotationDeg || 0 },
      ]),
    );
    return [
      {
        message: `The rows read from right to left (${backwards} neighbours in reverse): the layout is mirrored, as if drawn from the solder side.`,
        subjects: [],
        fixes: [{ title: "Mirror the whole layout", apply: (d) => placeControls(d, mirrored) }],
      },
    ];
  },
};
