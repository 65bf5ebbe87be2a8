import type { Control } from "../../catalogue/kinds";
import type { Part } from "../../catalogue/parts/part";
import type { Board } from "../../document/schema";
import { counted } from "../../words";
import {
  type Bench,
  contactsOf,
  controlsOn,
  fitted,
  hasPlate,
  isMade,
  isSurface,
  joinedTo,
  middleOf,
  onBoard,
  partOf,
  ringOf,
  step,
} from "../bench";
import type { Cover, Face, Step, Want } from "../step";
import type { StepSort } from "../stepSorts";
import { bareOf, plateOf } from "./plateSteps";

interface Group {
  part: Part;
  controls: Control[];
}

/** Small switches snap into the plate; what has a thread or screws is screwed; lights and pads are laid down. */
function sortOf({ kind, plateMm, posts, opening }: Part): StepSort {
  if (kind === "light" || opening === null) return "lay-down";
  if (kind === "key" && plateMm !== null && opening.widthMm === opening.heightMm)
    return opening.radiusMm < opening.widthMm / 2 ? "press-in" : "screw-in";
  return posts.length > 0 || plateMm !== null ? "screw-in" : "lay-down";
}

const VERBS: Partial<Record<StepSort, string>> = {
  "press-in": "Press in",
  "screw-in": "Screw in",
  "lay-down": "Set down",
};

const KIND_CHECKS: Partial<Record<Control["kind"], string[]>> = {
  key: ["Press every one with a finger: each moves freely and comes back by itself. One that sticks comes out now."],
  lamp: ["The longer leg is the anode; all stand the same way round."],
  light: ["Data in points to where the chain comes from; all stand the same way round."],
  encoder: ["No pin is bent beneath its body."],
  concentric: ["Both shafts turn by themselves."],
  stick: ["The stick returns to its middle; its mounting holes meet."],
  display: ["The foil is off, nothing presses on the glass."],
};

/** A part that is put in while the piece lies with its front up closes what lies beneath it. */
function coversOf(bench: Bench, { part, controls }: Group, board: Board): Cover[] {
  const faces: Face[] = isMade(bench, board.id) ? ["front", "inside"] : ["front"];
  const bodies = controls.flatMap((control) => {
    const outline = bench.derived.bodies[bench.design.controls.indexOf(control)];
    return faces.map((face): Cover => ({
      boardId: board.id,
      face,
      shape: { outline },
      removable: part.id.endsWith("-socket"),
    }));
  });
  if (part.cap === null) return bodies;
  const own = new Set(controls.map((control) => bench.design.controls.indexOf(control)));
  const caps = bench.derived.capPieces.filter(({ owner }) => own.has(owner));
  return [
    ...bodies,
    ...caps.map(({ outline }): Cover => ({ boardId: board.id, face: "front", shape: { outline }, removable: true })),
  ];
}

/** What the parts of a board stand in. */
function standsIn(bench: Bench, board: Board): Want[] {
  const made = isMade(bench, board.id);
  const wants = hasPlate(bench, board) ? [made ? `plate on ${board.id}` : plateOf(board)] : [];
  return [...wants, ...(made ? [bareOf(board)] : [])].map((name) => ({
    token: fitted(name),
    sort: "joined",
    words: "stands in it",
  }));
}

function fitStep(bench: Bench, board: Board, group: Group): Step {
  const { part, controls } = group;
  const sort = sortOf(part);
  const names = controls.map(({ id }) => bench.names.controls.get(id)!);
  const isKeys = sort === "press-in";
  return step({
    id: `fit ${board.id} ${part.id}`,
    sort,
    title: `${VERBS[sort]} ${controls.length === 1 ? controls[0].label : `${controls.length} ×`}: ${part.title}${onBoard(bench, board.id)}`,
    boardId: board.id,
    face: "front",
    tool: sort === "screw-in" ? "driver" : "hands",
    units: controls.length,
    fits: names,
    needs: [`${controls.length} × ${part.title}`],
    checks: KIND_CHECKS[controls[0].kind] ?? [],
    cautions: part.kind === "radio" ? ["radio"] : [],
    wants: [
      ...standsIn(bench, board),
      ...(isKeys && isMade(bench, board.id)
        ? [
            {
              token: `pads tried ${board.id}`,
              sort: "test first" as const,
              words: "a dead pad is mended before a switch hides it",
            },
          ]
        : []),
      ...(part.id.endsWith("-socket") && isMade(bench, board.id) ? [joinedTo(`sockets ${board.id} ${part.id}`)] : []),
    ],
    lit: { controls: controls.map(({ id }) => id), chips: [], controllers: [] },
    reaches: controls.map((control) => middleOf(bench, control, "front")),
    covers: coversOf(bench, group, board),
    heightMm: isMade(bench, board.id) && !hasPlate(bench, board) ? part.aboveMm : null,
  });
}

/** On a made board the legs of what was put in are soldered from behind. */
function solderStep(bench: Bench, board: Board, { part, controls }: Group): Step {
  const contacts = controls.flatMap((control) => contactsOf(bench, control, "back"));
  const lit = { controls: controls.map(({ id }) => id), chips: [], controllers: [] };
  const isSocket = part.id.endsWith("-socket");
  const names = controls.map(({ id }) => bench.names.controls.get(id)!);
  return step({
    id: `solder ${board.id} ${part.id}`,
    sort: "joint",
    title: `Solder ${isSocket ? "the sockets of " : ""}${controls.length === 1 ? controls[0].label : `${controls.length} ×`}: ${part.title}${onBoard(bench, board.id)}`,
    boardId: board.id,
    face: "back",
    tool: "iron",
    units: contacts.length,
    cautions: ["solder"],
    how: isSocket
      ? ["Hold each socket flat while its first end is soldered."]
      : ["Solder one leg of each first, see that it stands straight, then the others."],
    checks: ["No leg is bent under, no joint is dull, nothing is bridged."],
    lit,
    reaches: contacts,
    wants: isSocket
      ? [{ token: fitted(bareOf(board)), sort: "joined", words: "sits on the board" }]
      : names.map(joinedTo),
    gives: [
      ...(isSocket ? [fitted(`sockets ${board.id} ${part.id}`)] : []),
      ...names.map((name) => `soldered ${name}`),
    ],
  });
}

function stabilisers(bench: Bench, board: Board): Step[] {
  const guided = controlsOn(bench, board.id).filter((control) => control.kind === "key" && control.stabiliser);
  if (guided.length === 0) return [];
  return [
    step({
      id: `stabilisers ${board.id}`,
      sort: "stabilise",
      title: `Fit ${counted(guided.length, "stabiliser")}${onBoard(bench, board.id)}`,
      boardId: board.id,
      face: "front",
      tool: "hands",
      units: guided.length,
      needs: [counted(guided.length, "stabiliser")],
      how: ["Grease where the wire turns, then clip or screw them in."],
      checks: ["Each wire moves up and down without scraping; both ends rise together."],
      wants: standsIn(bench, board),
      lit: { controls: guided.map(({ id }) => id), chips: [], controllers: [] },
      reaches: guided.map((control) => ({
        ...middleOf(bench, control, "front"),
        owner: `stabiliser of ${control.label}`,
      })),
    }),
  ];
}

/** Controls of one part on one board, in the order in which they are listed. */
function groupsOn(bench: Bench, board: Board): Group[] {
  const placed = controlsOn(bench, board.id).filter(
    (control) =>
      control.kind !== "fixing" &&
      !(
        control.kind === "ladder-pad" &&
        (hasPlate(bench, board) || (isMade(bench, board.id) && ringOf(bench, board) !== null))
      ) &&
      !(control.kind === "light" && isSurface(bench, board.id)),
  );
  const groups = new Map<string, Group>();
  for (const control of placed) {
    const part = partOf(bench, control);
    const group = groups.get(part.id) ?? { part, controls: [] };
    group.controls.push(control);
    groups.set(part.id, group);
  }
  return [...groups.values()];
}

/** Stabilisers first, for a switch stands over the wire of its own; then what is screwed and pressed in. */
export const controlSteps = (bench: Bench): Step[] =>
  bench.design.boards.flatMap((board) => [
    ...stabilisers(bench, board),
    ...groupsOn(bench, board).flatMap((group) => [
      fitStep(bench, board, group),
      ...(isMade(bench, board.id) ? [solderStep(bench, board, group)] : []),
    ]),
  ]);
