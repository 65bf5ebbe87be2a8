import { chipOutline } from "../../circuits/chip";
import type { Chip } from "../../circuits/chip";
import type { Board } from "../../document/schema";
import { counted } from "../../words";
import { boardOfAdded } from "../../wires/wires";
import { type Bench, controlsOn, fitted, hasPlate, isMade, isSurface, middleOf, onBoard, step } from "../bench";
import type { Cover, Step } from "../step";
import { bareOf, plateOf } from "./plateSteps";
import { smallNeeds, smallOn } from "./smallPartSteps";

export const chipsOn = ({ derived, design }: Bench, boardId: string): Chip[] =>
  derived.chips.filter(({ id }) => boardOfAdded(id, design) === boardId);

/** A dual-in-line package on its socket stands this high (from memory). */
const CHIP_MM = 8;

/** Loose boards have no edge to stand in. */
const baseOf = (bench: Bench, board: Board) =>
  fitted(isMade(bench, board.id) || !hasPlate(bench, board) ? bareOf(board) : plateOf(board));

function chipStep(bench: Bench, board: Board, chip: Chip): Step {
  const name = bench.names.chips.get(chip.id)!;
  const made = isMade(bench, board.id);
  const face = made ? (hasPlate(bench, board) ? "inside" : "front") : "back";
  const cover: Cover = { boardId: board.id, face, shape: { outline: chipOutline(chip) }, removable: false };
  return step({
    id: `chip ${chip.id}`,
    sort: made ? "joint" : "lay-down",
    title: `${made ? "Solder" : "Set down"} ${name}: ${chip.title}${onBoard(bench, board.id)}`,
    boardId: board.id,
    face: "back",
    tool: made ? "iron" : "hands",
    units: made ? chip.terminals.length : 1,
    fits: [name],
    needs: [chip.title],
    how: made
      ? ["On a socket it can be changed; the notch lies as it is printed."]
      : ["On a strip of board with a socket; the drawing shows where terminal 1 lies."],
    checks: ["Terminal 1 is where the drawing has it: from behind everything is mirrored."],
    cautions: made ? ["solder"] : [],
    lit: { controls: [], chips: [chip.id], controllers: [] },
    reaches: [{ boardId: board.id, face, at: chip.at, of: name, owner: name }],
    covers: [cover],
    wants: [{ token: baseOf(bench, board), sort: "joined", words: "sits on it" }],
    heightMm: made ? CHIP_MM : null,
  });
}

/** Everything that is laid into paste and heated at once. */
function pasted(bench: Bench, board: Board): Step[] {
  const small = smallOn(bench, board.id);
  const chips = chipsOn(bench, board.id);
  const lights = controlsOn(bench, board.id).filter(({ kind }) => kind === "light");
  const count = small.length + chips.length + lights.length;
  if (count === 0) return [];
  return [
    step({
      id: `paste ${board.id}`,
      sort: "paste",
      title: `Paste through the stencil, place ${counted(count, "part")}, heat${onBoard(bench, board.id)}`,
      boardId: board.id,
      face: "inside",
      tool: "hotplate",
      units: count,
      fits: [
        ...small.map(({ name }) => name),
        ...chips.map(({ id }) => bench.names.chips.get(id)!),
        ...lights.map(({ id }) => bench.names.controls.get(id)!),
      ],
      needs: [
        "Stencil and paste",
        ...smallNeeds(small),
        ...chips.map(({ title }) => title),
        ...(lights.length > 0 ? [counted(lights.length, "addressable light")] : []),
      ],
      how: ["Paste, place small parts first and large ones last, then heat until the paste shines."],
      checks: [
        "Every ring, notch and corner mark lies as it is printed; nothing stands on end; no bridge between neighbours.",
      ],
      cautions: ["heat", "solder"],
      lit: { controls: lights.map(({ id }) => id), chips: chips.map(({ id }) => id), controllers: [] },
      reaches: [
        ...chips.map(({ id, at }) => ({
          boardId: board.id,
          face: "inside" as const,
          at,
          of: bench.names.chips.get(id)!,
          owner: bench.names.chips.get(id)!,
        })),
        ...small.flatMap(({ reach }) => (reach ? [{ ...reach, face: "inside" as const }] : [])),
        ...lights.map((control) => middleOf(bench, control, "inside")),
      ],
      wants: [{ token: fitted(bareOf(board)), sort: "joined", words: "sits on the board" }],
      heightMm: 0,
    }),
  ];
}

/** Added parts one by one, since each lies at a place of its own; surface parts all together. */
export const chipSteps = (bench: Bench): Step[] =>
  bench.design.boards.flatMap((board) =>
    isSurface(bench, board.id)
      ? pasted(bench, board)
      : chipsOn(bench, board.id).map((chip) => chipStep(bench, board, chip)),
  );
