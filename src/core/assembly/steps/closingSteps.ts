import type { Control } from "../../catalogue/kinds";
import type { Board } from "../../document/schema";
import { chosenCase } from "../../cases/casePlan";
import { counted } from "../../words";
import { type Bench, controlsOn, joinedTo, middleOf, onBoard, partOf, ringOf, step } from "../bench";
import type { Cover, Step } from "../step";
import { caseTokens } from "./caseSteps";
import { modulesOf } from "./moduleSteps";

/** What wants a knob: slides carry their own. */
const isTurned = (control: Control) =>
  control.kind === "encoder" || control.kind === "concentric" || (control.kind === "pot" && control.motion === "turn");

/** Caps of switches that carry none of their own, and knobs of what turns. */
function capStep(bench: Bench, board: Board): Step[] {
  const controls = controlsOn(bench, board.id).filter(
    (control) => (control.kind === "key" && partOf(bench, control).cap === null) || isTurned(control),
  );
  if (controls.length === 0) return [];
  const owners = new Set(controls.map((control) => bench.design.controls.indexOf(control)));
  const covers = bench.derived.capPieces
    .filter(({ owner }) => owners.has(owner))
    .map(({ outline }): Cover => ({ boardId: board.id, face: "front", shape: { outline }, removable: true }));
  const knobs = controls.filter(isTurned).length;
  const caps = controls.length - knobs;
  const words = [...(caps > 0 ? [counted(caps, "cap")] : []), ...(knobs > 0 ? [counted(knobs, "knob")] : [])].join(
    " and ",
  );
  return [
    step({
      id: `caps ${board.id}`,
      sort: "cap",
      title: `Put on ${words}${onBoard(bench, board.id)}`,
      boardId: board.id,
      face: "front",
      tool: "hands",
      units: controls.length,
      needs: [words],
      checks: [
        "Each goes down and comes up by itself, none touches its neighbour.",
        ...(caps > 0 ? ["Every cap is where the legend sheet has it."] : []),
      ],
      lit: { controls: controls.map(({ id }) => id), chips: [], controllers: [] },
      reaches: controls.map((control) => middleOf(bench, control, "front")),
      covers,
      wants: controls.flatMap((control) => [
        joinedTo(bench.names.controls.get(control.id)!),
        {
          token: `tried ${control.id}`,
          sort: "test first" as const,
          words: "one that fails comes out while it is bare",
        },
      ]),
      gives: [`capped ${board.id}`],
    }),
  ];
}

/** The case closes the back; its screws go in from the front, where caps would hide them. */
function closeStep(bench: Bench, board: Board): Step[] {
  const ring = ringOf(bench, board);
  if (ring === null) return [];
  const screws = controlsOn(bench, board.id).filter(({ kind }) => kind === "fixing");
  if (!board.edgeCarried && screws.length === 0) return [];
  const onIt = controlsOn(bench, board.id);
  return [
    step({
      id: `close ${board.id}`,
      sort: "close",
      title: `Close the case${onBoard(bench, board.id)}`,
      boardId: board.id,
      face: "front",
      tool: "driver",
      units: Math.max(screws.length, 4),
      needs: screwWords(bench, board, screws.length),
      how: ["Lay the cable so that nothing pinches it, then close; tighten crosswise, not hard."],
      checks: ["No cable is pinched, the plug goes in, nothing rattles."],
      lit: { controls: screws.map(({ id }) => id), chips: [], controllers: [] },
      reaches: screws.map((control) => middleOf(bench, control, "front")),
      covers: [{ boardId: board.id, face: "back", shape: { ring }, removable: true }],
      wants: [
        ...onIt.map(({ id }) => ({
          token: `tried ${id}`,
          sort: "test first" as const,
          words: "what fails is mended while it is open",
        })),
        ...caseTokens(bench, board).map((token) => ({ token, sort: "joined" as const, words: "closes the case" })),
      ],
      gives: [`closed ${board.id}`],
    }),
  ];
}

function screwWords({ design }: Bench, board: Board, count: number): string[] {
  const towers = chosenCase(design, board)?.towers ?? [];
  const sizes = [...new Set(towers.map(({ size, screwMm }) => `${size.name} × ${screwMm ?? "?"} mm`))];
  if (count === 0) return ["Screws of the case"];
  return [`${counted(count, "screw")}${sizes.length > 0 ? `, ${sizes.join(", ")}` : ""}`];
}

function lastStep(bench: Bench): Step[] {
  const modules = modulesOf(bench);
  if (modules.length === 0) return [];
  const tokens = bench.design.boards.flatMap(({ id }) => [`closed ${id}`, `capped ${id}`]);
  const tried = bench.design.controls.map(({ id }) => `tried ${id}`);
  return [
    step({
      id: "last",
      sort: "try",
      title: "Try everything once more, closed",
      tool: "computer",
      units: bench.derived.inputs.length,
      how: ["Use it for a quarter of an hour as it is meant to be used."],
      checks: ["Nothing is told that was not pressed; nothing got warm."],
      cautions: ["strain"],
      lit: { controls: bench.design.controls.map(({ id }) => id), chips: [], controllers: [] },
      wants: [...tokens, ...tried].map((token) => ({ token, sort: "joined", words: "comes last" })),
    }),
  ];
}

/** Cases, caps and knobs, and the last trial. */
export const closingSteps = (bench: Bench): Step[] => [
  ...bench.design.boards.flatMap((board) => [...closeStep(bench, board), ...capStep(bench, board)]),
  ...lastStep(bench),
];
