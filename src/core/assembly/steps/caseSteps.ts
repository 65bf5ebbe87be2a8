import { type CasePlan, chosenCase } from "../../cases/casePlan";
import type { Board } from "../../document/schema";
import { counted } from "../../words";
import { type Bench, fitted, onBoard, step } from "../bench";
import type { Step } from "../step";

const caseOf = ({ id }: Board) => `case ${id}`;
const towersOf = (plan: CasePlan) => plan.towers.filter(({ outerMm }) => outerMm > 0);

/** What must be there before a case is closed. */
export function caseTokens({ design }: Bench, board: Board): string[] {
  const plan = chosenCase(design, board);
  if (!plan) return [];
  const hasInserts = plan.settings.towers === "inserts" && towersOf(plan).length > 0;
  return [fitted(caseOf(board)), ...(hasInserts ? [`inserts ${board.id}`] : [])];
}

/** The tray is printed, or the layers are cut; where the plastic takes the screws, the towers are the standoffs. */
function makeStep(bench: Bench, board: Board, plan: CasePlan): Step {
  const { settings } = plan;
  const isPrinted = settings.way === "printed";
  const own = isPrinted && settings.towers === "self-cutting" ? towersOf(plan) : [];
  return step({
    id: caseOf(board),
    sort: "make-case",
    title: `${isPrinted ? "Print" : "Cut"} the case${onBoard(bench, board.id)}`,
    boardId: board.id,
    tool: "machine",
    units: 1,
    fits: own.map(({ controlId }) => bench.names.controls.get(controlId)!),
    gives: [fitted(caseOf(board))],
    needs: [
      isPrinted ? `Plastic for the tray, ${settings.plastic}` : `Sheet, ${settings.sheet} ${settings.sheetMm} mm`,
    ],
    how: isPrinted
      ? [
          "Print the tray floor down, feet on their flat side; no supports.",
          "Where it comes in pieces, glue them at the teeth on a flat table; glue the feet under it.",
        ]
      : ["Cut openings and holes first, the outline last; stack the layers on their screws once without the device."],
    checks: ["The bare plate goes in without force and lies flat.", "The plug goes through its opening to its end."],
    cautions: [isPrinted ? "heat" : "laser"],
    lit: { controls: own.map(({ controlId }) => controlId), chips: [], controllers: [] },
  });
}

function insertStep(bench: Bench, board: Board, plan: CasePlan): Step[] {
  const towers = towersOf(plan);
  if (plan.settings.towers !== "inserts" || towers.length === 0) return [];
  return [
    step({
      id: `inserts ${board.id}`,
      sort: "insert",
      title: `Set ${counted(towers.length, "insert")} into the case${onBoard(bench, board.id)}`,
      boardId: board.id,
      tool: "iron",
      units: towers.length,
      fits: towers.map(({ controlId }) => bench.names.controls.get(controlId)!),
      gives: [`inserts ${board.id}`],
      needs: [...new Set(towers.map(({ size }) => `Brass inserts ${size.name}, ${size.insertMm} mm`))],
      how: [
        "Some 20 °C above what the plastic is printed at; let the iron's weight sink it, straight, to a hair below the top.",
        "Press it flat with something cold while it sets.",
      ],
      checks: ["A screw turns in by hand to its full length."],
      cautions: ["heat"],
      lit: { controls: towers.map(({ controlId }) => controlId), chips: [], controllers: [] },
      wants: [{ token: fitted(caseOf(board)), sort: "joined", words: "sit in its towers" }],
    }),
  ];
}

/** The case of each board that gets one, and the inserts in it. */
export const caseSteps = (bench: Bench): Step[] =>
  bench.design.boards.flatMap((board) => {
    const plan = chosenCase(bench.design, board);
    return plan ? [makeStep(bench, board, plan), ...insertStep(bench, board, plan)] : [];
  });
