import { boardRings } from "../../layout/boardOutline";
import { boxesMeet, boxOf } from "../../geometry/outline";
import { ringAreaMm2 } from "../../geometry/ring";
import { commonOf } from "../../geometry/ringSets";
import { type Rule } from "../finding";

/** Overlap below this is a touch. */
const TOUCH_MM2 = 1;

export const boardsOverlap: Rule = {
  id: "layout/boards-overlap",
  stage: "layout",
  severity: "warn",
  why: "Two boards cannot lie at one place; one of them is perhaps meant to lie beneath, which the plan does not know.",
  source: "geometry of the boards' edges",
  check(design) {
    const rings = boardRings(design);
    const boxes = rings.map((ring) => ring && boxOf({ core: ring, radiusMm: 0 }));
    return design.boards.flatMap((one, first) =>
      design.boards.slice(first + 1).flatMap((other, more) => {
        const second = first + 1 + more;
        const [a, b] = [rings[first], rings[second]];
        if (!a || !b || !boxesMeet(boxes[first]!, boxes[second]!)) return [];
        const area = commonOf(a, b).reduce((sum, { edge }) => sum + ringAreaMm2(edge), 0);
        if (area < TOUCH_MM2) return [];
        return [
          {
            message: `${one.name} and ${other.name} lie over each other by ${(area / 100).toFixed(1)} cm².`,
            subjects: [],
          },
        ];
      }),
    );
  },
};
