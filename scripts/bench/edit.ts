import { derive } from "@/core/design/derive";
import { addControl, shiftControls } from "@/core/design/edits/controls";
import { chooseController, takePinPlan } from "@/core/design/edits/pins";
import { shareOutMatrix } from "@/core/design/edits/wiring";
import type { Design } from "@/core/design/schema";
import { findingsOf, factsOf } from "@/core/findings/check";
import { boardOutline } from "@/core/layout/boardOutline";
import { planPins } from "@/core/pins/planPins";
import { keyboardOf } from "../../tests/firmware/keyboard64";
import { type Row, median } from "./row";

const LIMIT_MS = 16;
const ROUNDS = 200;

/** 108 keys, 8 encoders, 4 lamps: 120 controls, wired, on a 70-pin board. */
function design120(): Design {
  let design = keyboardOf(6, 18, 4);
  for (let nth = 0; nth < 12; nth++) {
    const at = { xMm: nth * 26, yMm: -30, rotationDeg: 0, boardId: "panel" };
    design = addControl(design, nth < 8 ? "encoder" : "lamp", `x${nth}`, at);
  }
  design = chooseController(shareOutMatrix(design, "as-laid-out"), "large-5v-70");
  return takePinPlan(design, planPins(design));
}

/** Moving one key, with everything that follows from it worked out anew. */
export function editRow(): Row {
  let design = design120();
  const times = Array.from({ length: ROUNDS }, (_, nth) => {
    const began = performance.now();
    design = shiftControls(design, [`k${1 + (nth % 108)}`], nth % 2 === 0 ? 0.1 : -0.1, 0);
    findingsOf(design);
    factsOf(design);
    boardOutline(design, "panel");
    if (derive(design).signalNets.length < 40) throw new Error("nothing was derived");
    return performance.now() - began;
  });
  const time = median(times);
  return {
    what: "edit of a 120-control design, all derived, median",
    measured: `${time.toFixed(2)} ms`,
    limit: `${LIMIT_MS} ms`,
    ratio: LIMIT_MS / time,
  };
}
