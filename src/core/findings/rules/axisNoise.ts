import { converterOf } from "../../catalogue/controllers/converter";
import { setAxis } from "../../edits/axes";
import { axisOfSensor } from "../../firmware/axes";
import { wipersRead } from "../../firmware/scanTable";
import { type Rule, controlSubject } from "../finding";

/** A reading of a pot at rest is uncertain by so many counts of ten bits (from memory). */
const NOISE_COUNTS = 2;
const NOISE_PERCENT = (100 * NOISE_COUNTS) / 1024;
/** Twice the noise, as it goes both ways. */
const QUIET_PERCENT = 0.4;

/** Axes that report by themselves. */
export const axisNoise: Rule = {
  id: "keymap/axis-noise",
  stage: "keymap",
  severity: "warn",
  why: "A reading at rest is never quite the same; without a zone in which it stands still a pot tells the host something all the time.",
  source: "common practice; two counts of ten bits from memory",
  eachController: true,
  check(design, { elements, profile }) {
    const bits = profile ? converterOf(profile).bits : 10;
    return wipersRead(design).flatMap((id) => {
      const axis = axisOfSensor(design, id);
      // A half of a half: what smoothing leaves of a reading that jumps.
      const left = NOISE_PERCENT / 2 ** axis.smooth;
      if (axis.still >= left) return [];
      const { controlId, label } = elements.get(id)!;
      const counts = Math.max(1, Math.round((left / 100) * 2 ** bits));
      return [
        {
          message: `${label} stands still within ${axis.still} % of its track; readings at rest differ by about ${counts} of ${2 ** bits} counts, ${left.toFixed(2)} %: it will send reports by itself.`,
          subjects: [controlSubject(controlId)],
          fixes: [
            {
              title: `Let it stand still within ${QUIET_PERCENT} %`,
              apply: (d) => setAxis(d, id, { ...axis, still: QUIET_PERCENT }),
            },
          ],
        },
      ];
    });
  },
};
