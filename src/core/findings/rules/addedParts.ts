import { chipOutline } from "../../circuits/chip";
import { placeChip } from "../../edits/chips";
import { overlaps } from "../../geometry/clearance";
import { boundsOf } from "../../geometry/outline";

import { type Rule, controlSubject, listed } from "../finding";

/** Farther than this from everything else, an added part was lost rather than laid. */
const FAR_MM = 150;

/** Added parts that lie on something, or far away. What was not laid by hand lies where nothing lies. */
export const addedParts: Rule = {
  id: "wiring/added-part-place",
  stage: "wiring",
  severity: "warn",
  why: "An added part needs its own place behind the plate, near what it serves.",
  source: "geometry of the added parts, the controls' bodies and the module",
  eachController: true,
  check(design, derived) {
    const { chips, bodies } = derived;
    const module = derived.moduleOutline;
    const all = boundsOf([...bodies, ...(module ? [module] : [])]);
    return chips.flatMap((chip) => {
      const outline = chipOutline(chip);
      const hit = design.controls.filter((_, nth) => overlaps(outline, bodies[nth]));
      const onModule = module !== null && overlaps(outline, module);
      const isFar =
        all !== null &&
        (chip.at.xMm < all.minXMm - FAR_MM ||
          chip.at.xMm > all.maxXMm + FAR_MM ||
          chip.at.yMm < all.minYMm - FAR_MM ||
          chip.at.yMm > all.maxYMm + FAR_MM);
      if (hit.length === 0 && !onModule && !isFar) return [];
      const name = chip.id.replace(".", " ").toUpperCase();
      const on = [...hit.slice(0, 3).map(({ label }) => label), ...(onModule ? ["the controller"] : [])];
      const laid = Object.hasOwn(design.chipPlaces, chip.id);
      return [
        {
          message: isFar
            ? `${name} lies more than ${FAR_MM} mm away from everything else.`
            : `${name} lies on ${listed(on)}.`,
          subjects: hit.map(({ id }) => controlSubject(id)),
          fixes: laid
            ? [{ title: "Lay it where nothing lies", apply: (d: typeof design) => placeChip(d, chip.id, null) }]
            : [],
        },
      ];
    });
  },
};
