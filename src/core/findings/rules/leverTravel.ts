import { converterOf } from "../../catalogue/controllers/converter";
import { changeControl } from "../../edits/controls";
import { travelOf } from "../../analog/travel";
import { type Rule, controlSubject } from "../finding";

/** A control that uses less of its converter than this is coarse and jumpy (common practice). */
const LEAST_PART = 0.4;

/** A lever that uses little of the track behind it. */
export const leverTravel: Rule = {
  id: "circuits/lever-travel",
  stage: "circuits",
  severity: "warn",
  why: "A trigger moves less than 20°, a track turns 270°: directly mounted it uses a small part of the converter's range.",
  source: "arithmetic: hand's degrees × ratio, as a part of the track's travel",
  check(design, { profile }) {
    if (!profile) return [];
    const { bits } = converterOf(profile);
    return design.controls.flatMap((control) => {
      if (control.kind !== "pot" || !control.lever || control.motion !== "turn") return [];
      const { degrees, ratio } = control.lever;
      const { usedPart, counts, fullRatio } = travelOf(control.travel, degrees, ratio, bits);
      if (usedPart >= LEAST_PART) return [];
      const gear = Math.round(fullRatio * 10) / 10;
      return [
        {
          message: `${control.label} moves ${degrees}° by hand and its wiper ${(degrees * ratio).toFixed(0)}° of ${control.travel}°: ${(100 * usedPart).toFixed(0)} % of the converter, ${counts.toFixed(0)} counts. A gear or lever of 1 : ${gear} would use 90 %.`,
          subjects: [controlSubject(control.id)],
          fixes: [
            {
              title: `Take a gear of 1 : ${gear}`,
              apply: (d) => changeControl(d, control.id, { lever: { degrees, ratio: gear } }),
            },
          ],
        },
      ];
    });
  },
};
