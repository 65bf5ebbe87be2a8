import { reportShapeOf } from "../../firmware/reportShape";
import { usualPad } from "../../hid/padShape";
import { setPad } from "../../edits/reportSet";
import { type Rule } from "../finding";

/** Buttons that many games ask for at the most (common practice). */
const COMMON = 16;

/** Game pads with more buttons than games commonly know, or with nothing at all. */
export const padButtons: Rule = {
  id: "reports/pad-buttons",
  stage: "reports",
  severity: "note",
  why: "Many games look at the first sixteen buttons only; those behind them are there for programs that ask for them.",
  source: "common practice",
  check(design) {
    const { interfaces, pad = usualPad } = design.reportSet;
    if (!interfaces.includes("pad")) return [];
    const { buttons, hat, axes } = reportShapeOf(design);
    if (buttons + axes.length === 0 && !hat)
      return [
        {
          severity: "warn",
          message: "The game pad has no button, no hat and no axis: there is nothing in its report.",
          subjects: [],
          fixes: [{ title: `Declare ${COMMON} buttons`, apply: (d) => setPad(d, { ...pad, buttons: COMMON }) }],
        },
      ];
    if (buttons <= COMMON) return [];
    const bound = reportShapeOf({ ...design, reportSet: { ...design.reportSet, pad: { ...pad, buttons: 0 } } }).buttons;
    const fixes =
      bound <= COMMON
        ? [{ title: `Declare ${COMMON} buttons`, apply: (d: typeof design) => setPad(d, { ...pad, buttons: COMMON }) }]
        : [];
    const which = bound > COMMON ? ` Keys are bound up to button ${bound}.` : "";
    return [
      {
        message: `The game pad declares ${buttons} buttons; many games look at the first ${COMMON} only.${which}`,
        subjects: [],
        fixes,
      },
    ];
  },
};
