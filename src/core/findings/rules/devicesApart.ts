import { halfName } from "../../derived/halfName";
import { isSeveralDevices } from "../../document/partLinks";
import { type Rule, listed } from "../finding";

/** Parts that are devices of their own, where layers or keys together would want to reach from one to the other. */
export const devicesApart: Rule = {
  id: "wiring/devices-apart",
  stage: "wiring",
  severity: "note",
  why: "A computer takes the reports of each device by themselves; it knows nothing of layers or of keys that are meant together.",
  source: "follows from what each device is loaded with",
  check(design) {
    const { layers, together = [] } = design.keymap;
    if (!isSeveralDevices(design) || (layers.length < 2 && together.length === 0)) return [];
    const names = listed(design.controllers.map(({ id }) => halfName(design, id)));
    return [
      {
        message: `${names} are devices of their own: a layer that one holds changes nothing on another, and keys of several are never meant together.`,
        subjects: [],
      },
    ];
  },
};
