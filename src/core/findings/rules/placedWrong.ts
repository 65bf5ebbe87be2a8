import { placeControls } from "../../edits/controls";
import { moduleToMat } from "../../layout/keepOuts";
import { distanceMm } from "../../geometry/point";
import { readingRows } from "../../geometry/readingOrder";
import { type Rule, controlSubject, listed } from "../finding";

export const mirroredPart: Rule = {
  id: "layout/mirrored-part",
  stage: "layout",
  severity: "warn",
  why: "A part mounted from the other side has its contacts mirrored: in holes drilled for the front they do not fit, or connect wrongly.",
  source: "the placements of parts of one kind on one board",
  check: (design) =>
    design.boards.flatMap((board) => {
      const on = design.controls.filter(({ placement, kind }) => placement.boardId === board.id && kind !== "fixing");
      const odd = on.filter(({ placement }) => placement.mirrored);
      if (odd.length === 0 || odd.length === on.length) return [];
      return [
        {
          message: `${listed(odd.slice(0, 6).map(({ label }) => label))} on ${board.name} ${odd.length === 1 ? "is" : "are"} mounted from the solder side, the others from the front: left and right contacts change places.`,
          subjects: odd.map(({ id }) => controlSubject(id)),
          fixes: [
            {
              title: "Mount from the front like the others",
              apply: (d) => placeControls(d, new Map(odd.map(({ id }) => [id, { mirrored: undefined }]))),
            },
          ],
        },
      ];
    }),
};

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

/** Nearer than this an oscillator and fast edges disturb each other (from memory). */
const LEAST_OSCILLATOR_MM = 10;

export const oscillatorNearLight: Rule = {
  id: "layout/oscillator-near-light",
  stage: "layout",
  severity: "warn",
  why: "A light chain broke where its data line ran past the controller's crystal.",
  source: "from memory: 10 mm between an oscillator and a fast data line",
  check(_design, derived) {
    const oscillator = derived.profile?.oscillator;
    if (!derived.controller || !oscillator) return [];
    const at = moduleToMat(derived, oscillator);
    const near = [...derived.elements.values()].flatMap((element) => {
      if (element.kind !== "light") return [];
      const gap = Math.min(...element.contacts.slice(0, 2).map((contact) => distanceMm(contact.at, at)));
      return gap < LEAST_OSCILLATOR_MM ? [{ element, gap }] : [];
    });
    return near.map(({ element, gap }) => ({
      message: `The data line of ${element.label} is ${gap.toFixed(1)} mm from the controller's oscillator; keep ${LEAST_OSCILLATOR_MM} mm.`,
      subjects: [controlSubject(element.controlId)],
    }));
  },
};
