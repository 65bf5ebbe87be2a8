import type { Design } from "../../document/schema";
import { type Rule, controlSubject } from "../finding";
import { LEAST_WALL_MM, wallsWithin } from "./plateWalls";

const boardOf = (design: Design, owner: number) =>
  design.boards.find((board) => board.id === design.controls[owner].placement.boardId)!;

export const thinWall: Rule = {
  id: "layout/thin-wall",
  stage: "layout",
  severity: "warn",
  why: "A thin wall between openings breaks when caps are pulled, or does not come out of the printer at all.",
  source: "least walls from memory: printed 1.6 mm, acrylic 2 mm, aluminium 1 mm, steel 0.8 mm, board 1 mm",
  check: (design, derived) =>
    wallsWithin(derived)
      .filter(({ first, clearanceMm }) => {
        const least = LEAST_WALL_MM[boardOf(design, first).plate.material];
        return clearanceMm >= -1e-6 && clearanceMm < least - 1e-6;
      })
      .map(({ first, second, clearanceMm }) => {
        const [a, b] = [design.controls[first], design.controls[second]];
        const { plate } = boardOf(design, first);
        return {
          message: `Between ${a.label} and ${b.label} the plate keeps ${Math.max(0, clearanceMm).toFixed(1)} mm; ${plate.material} wants ${LEAST_WALL_MM[plate.material]} mm.`,
          subjects: [controlSubject(a.id), controlSubject(b.id)],
        };
      }),
};
