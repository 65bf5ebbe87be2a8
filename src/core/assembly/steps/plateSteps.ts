import type { PlateMaterial } from "../../document/makingSettings";
import type { Board } from "../../document/schema";
import { hasTowers } from "../../cases/casePlan";
import { counted } from "../../words";
import { type Bench, controlsOn, fitted, hasPlate, isMade, middleOf, onBoard, partOf, ringOf, step } from "../bench";
import type { CautionSort, Step } from "../step";

const WORK: Record<PlateMaterial, { verb: string; cautions: CautionSort[]; how: string[] }> = {
  printed: {
    verb: "Print",
    cautions: ["heat"],
    how: ["Print the plate with its openings up and, where one is drawn, the wider layer beneath it."],
  },
  acrylic: { verb: "Cut", cautions: ["laser"], how: ["Cut the openings first, the outer edge last."] },
  aluminium: {
    verb: "Cut",
    cautions: ["cutting"],
    how: ["Drill or mill the openings, then the edge; take off the burrs."],
  },
  steel: { verb: "Cut", cautions: ["cutting"], how: ["Drill or cut the openings, then the edge; take off the burrs."] },
  board: {
    verb: "Take",
    cautions: [],
    how: ["A plate of board material comes with its openings; break off the tabs and file the rest."],
  },
};

export const plateOf = (board: Pick<Board, "id">): string => `plate ${board.id}`;
export const bareOf = (board: Pick<Board, "id">): string => `bare board ${board.id}`;

function plateStep(bench: Bench, board: Board): Step {
  const openings = bench.derived.openings.filter(
    ({ owner }) => bench.design.controls[owner].placement.boardId === board.id,
  );
  const { verb, cautions, how } = WORK[board.plate.material];
  const pads = isMade(bench, board.id) ? [] : controlsOn(bench, board.id).filter(({ kind }) => kind === "ladder-pad");
  return step({
    id: plateOf(board),
    sort: "make-plate",
    title: `${verb} the plate${onBoard(bench, board.id)}`,
    boardId: board.id,
    tool: "machine",
    units: openings.length,
    fits: pads.map(({ id }) => bench.names.controls.get(id)!),
    gives: [fitted(plateOf(board))],
    needs: [`Plate, ${board.plate.material} ${board.plate.thicknessMm} mm`],
    how,
    checks: [
      `Try a part in one opening of each size before all ${openings.length} are made: a burr pinches a switch, and it sticks.`,
      "Lay the plate on the print sheet at 1 : 1.",
    ],
    cautions,
    lit: { controls: pads.map(({ id }) => id), chips: [], controllers: [] },
  });
}

/** Where nothing is fitted yet a fault can still be given back. */
function bareStep(bench: Bench, board: Board): Step {
  const onIt = controlsOn(bench, board.id);
  return step({
    id: bareOf(board),
    sort: "look-over",
    title: `Look over the bare board${onBoard(bench, board.id)}`,
    boardId: board.id,
    face: "back",
    tool: "meter",
    units: 1,
    fits: onIt.filter(({ kind }) => kind === "ladder-pad").map(({ id }) => bench.names.controls.get(id)!),
    gives: [fitted(bareOf(board))],
    how: ["Hold the parts against their places before anything is soldered."],
    checks: [
      "Measure between supply and ground: open.",
      "Nothing is bridged, no hole is missing, the edge fits its case.",
    ],
  });
}

/** It hides what lies on the board's front; switches are put in through it. */
function layPlate(bench: Bench, board: Board): Step {
  return step({
    id: `lay ${plateOf(board)}`,
    sort: "lay-down",
    title: `Lay the plate over the board${onBoard(bench, board.id)}`,
    boardId: board.id,
    face: "front",
    tool: "hands",
    units: 1,
    wants: [plateOf(board), bareOf(board)].map((name) => ({
      token: fitted(name),
      sort: "joined",
      words: "lays one on the other",
    })),
    gives: [fitted(`plate on ${board.id}`)],
    how: ["Put a switch into each corner first: they hold plate and board apart at the right height."],
    checks: ["All openings stand above their pads."],
    covers: [{ boardId: board.id, face: "inside", shape: { ring: ringOf(bench, board)! }, removable: false }],
  });
}

/** Standoffs and screws that stay in the plate. */
function standoffs(bench: Bench, board: Board): Step[] {
  const fixings = controlsOn(bench, board.id).filter(({ kind }) => kind === "fixing");
  // Printed towers take the place of standoffs: their screws come when the case is closed.
  if (fixings.length === 0 || hasTowers(bench.design, board)) return [];
  return [
    step({
      id: `standoffs ${board.id}`,
      sort: "screw-in",
      title: `Screw in ${counted(fixings.length, "standoff")}${onBoard(bench, board.id)}`,
      boardId: board.id,
      face: "front",
      tool: "driver",
      units: fixings.length,
      fits: fixings.map(({ id }) => bench.names.controls.get(id)!),
      needs: [...new Set(fixings.map((one) => partOf(bench, one).title))],
      wants: [
        {
          token: fitted(hasPlate(bench, board) ? plateOf(board) : bareOf(board)),
          sort: "joined",
          words: "stand in the plate",
        },
      ],
      checks: ["None stands where the module or a plug will come."],
      lit: { controls: fixings.map(({ id }) => id), chips: [], controllers: [] },
      reaches: fixings.map((control) => middleOf(bench, control, "front")),
    }),
  ];
}

/** Plates, made boards and what stands in them. */
export const plateSteps = (bench: Bench): Step[] =>
  bench.design.boards.flatMap((board) => {
    if (ringOf(bench, board) === null) return [];
    const made = isMade(bench, board.id);
    const plated = hasPlate(bench, board);
    return [
      ...(plated ? [plateStep(bench, board)] : []),
      ...(made ? [bareStep(bench, board)] : []),
      ...(made && plated ? [layPlate(bench, board)] : []),
      ...standoffs(bench, board),
    ];
  });
