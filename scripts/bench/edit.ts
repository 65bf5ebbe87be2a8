import { derive } from "@/core/derived/derive";
import { addControl, changeControl, shiftControls } from "@/core/edits/controls";
import { addGroup } from "@/core/edits/groups";
import { chooseController, adoptPinPlan } from "@/core/edits/pins";
import { shareOutDirect } from "@/core/edits/wiring";
import { shareOutMatrix } from "@/core/edits/shareOutMatrix";
import { newDesign } from "@/core/document/newDesign";
import type { Design } from "@/core/document/schema";
import { findingsOf } from "@/core/findings/check";
import { factsOf } from "@/core/findings/facts";
import { boardRings } from "@/core/layout/boardOutline";
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
  return adoptPinPlan(design, planPins(design));
}

/** 200 keys, some long and turned, 50 toggles, 30 encoders and 20 standoffs on one panel: 300 parts with openings. */
export function design300(): Design {
  let n = 0;
  const id = () => `c${(n += 1)}`;
  const grid = (
    design: Design,
    kind: "key" | "toggle" | "encoder" | "fixing",
    columns: number,
    rows: number,
    xMm: number,
    yMm: number,
  ) =>
    addGroup(
      design,
      {
        name: kind,
        kind,
        at: { xMm, yMm, rotationDeg: 0, boardId: "panel" },
        shape: { shape: "straight-grid", columns, rows },
      },
      id,
    ).design;
  let design = grid(newDesign("large", "Large"), "key", 20, 10, 0, 0);
  design = grid(design, "toggle", 10, 5, 0, 220);
  design = grid(design, "encoder", 10, 3, 220, 220);
  design = grid(design, "fixing", 20, 1, 9, -20);
  for (const nth of [40, 80, 120]) design = changeControl(design, `c${nth}`, { widthU: 2 });
  return chooseController(shareOutDirect(design), "large-5v-70");
}

function rowFor(what: string, start: Design, keys: number): Row {
  let design = start;
  const times = Array.from({ length: ROUNDS }, (_, nth) => {
    const began = performance.now();
    design = shiftControls(design, [design.controls[nth % keys].id], nth % 2 === 0 ? 0.1 : -0.1, 0);
    findingsOf(design);
    factsOf(design);
    boardRings(design);
    if (derive(design).signalNets.length < 40) throw new Error("nothing was derived");
    return performance.now() - began;
  });
  const time = median(times);
  return {
    what: `${what}, median`,
    measured: `${time.toFixed(2)} ms`,
    limit: `${LIMIT_MS} ms`,
    ratio: LIMIT_MS / time,
  };
}

/** Moving one key, with everything that follows from it worked out anew. */
export const editRows = (): Row[] => [
  rowFor("edit of a 120-control design, all derived", design120(), 108),
  rowFor("edit of 300 controls, all geometry findings", design300(), 200),
];
