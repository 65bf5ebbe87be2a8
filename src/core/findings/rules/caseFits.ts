import { chosenCase } from "../../cases/casePlan";
import { caseTroubles } from "../../cases/caseTroubles";
import { towerPlaces } from "../../cases/towerPlaces";
import { addTowers } from "../../edits/caseEdits";
import { type Rule, controlSubject } from "../finding";

export const caseFits: Rule = {
  id: "make/case-fits",
  stage: "make",
  severity: "warn",
  why: "A case that is printed or cut before everything in it has its room is made twice.",
  source: "geometry of the case against bodies, screws and plugs; walls and lengths as common practice",
  check: (design) =>
    design.boards.flatMap((board) => {
      const plan = chosenCase(design, board);
      if (!plan) return [];
      return caseTroubles(design, plan).map(({ message, controlIds, wantsTowers }) => ({
        message: design.boards.length > 1 && !message.includes(board.name) ? `${board.name}: ${message}` : message,
        subjects: controlIds.map(controlSubject),
        fixes:
          wantsTowers && towerPlaces(plan).length > 1
            ? [{ title: "Add standoffs near the corners", apply: (d) => addTowers(d, board.id) }]
            : [],
      }));
    }),
};
