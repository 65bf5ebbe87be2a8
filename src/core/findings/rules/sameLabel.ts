import { kindOf } from "../../catalogue/kinds";
import { changeControl, nextLabel } from "../../edits/controls";
import type { Design } from "../../document/schema";
import { type Rule, controlSubject } from "../finding";

export const sameLabel: Rule = {
  id: "layout/same-label",
  stage: "layout",
  severity: "note",
  why: "Wire lists, pins and findings name parts by their label; two with one label get mixed up at the bench.",
  source: "follows from the labels",
  check(design) {
    const byLabel = new Map<string, string[]>();
    for (const { label, id } of design.controls) byLabel.set(label, [...(byLabel.get(label) ?? []), id]);
    return [...byLabel]
      .filter(([, ids]) => ids.length > 1)
      .map(([label, ids]) => ({
        message: `${ids.length} parts are called ${label}.`,
        subjects: ids.map(controlSubject),
        fixes: [
          {
            title: "Number the others anew",
            apply: (d: Design) =>
              ids.slice(1).reduce((result, id) => {
                const control = result.controls.find((c) => c.id === id)!;
                return changeControl(result, id, { label: nextLabel(result, kindOf(control).prefix) });
              }, d),
          },
        ],
      }));
  },
};
