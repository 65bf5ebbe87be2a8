import { freshAxisUse } from "../../axisUses";
import { setAxisUse } from "../../edits/axes";
import { scanTableOf } from "../../firmware/scanTable";
import { type Rule, controlSubject, listed } from "../finding";

const NAMED = 4;

/** Sticks and pots that are wired, and nothing comes of them. */
export const idleAxis: Rule = {
  id: "keymap/idle-axis",
  stage: "keymap",
  severity: "note",
  why: "An axis without a use on any layer is not even read.",
  source: "follows from the keymap",
  check(design, { builtCircuits, elements }) {
    const used = new Set(scanTableOf(design).sensors);
    const wired = builtCircuits.flatMap(({ nets }) => nets.flatMap(({ id, role }) => (role === "analog" ? [id] : [])));
    const idle = wired
      .flatMap((id) => elements.get(id) ?? [])
      .filter(({ id, kind }) => kind === "analog" && !used.has(id));
    if (idle.length === 0) return [];
    const names = idle.slice(0, NAMED).map(({ label }) => label);
    const more = idle.length > NAMED ? [`${idle.length - NAMED} more`] : [];
    const base = design.keymap.layers[0].id;
    return [
      {
        message: `${listed([...names, ...more])} ${idle.length === 1 ? "moves" : "move"} nothing on any layer.`,
        subjects: [...new Set(idle.map(({ controlId }) => controlId))].map(controlSubject),
        fixes: [
          {
            title: "Make them axes of a game pad",
            apply: (d) => idle.reduce((made, { id, end }) => setAxisUse(made, base, id, freshAxisUse("pad", end)), d),
          },
        ],
      },
    ];
  },
};
