import type { Step } from "../assembly/step";
import { chipOutline } from "../circuits/chip";
import { derive } from "../derived/derive";
import type { Design } from "../document/schema";
import { type Point, point } from "../geometry/point";
import { type Ring, outlineRing, ringCentre } from "../geometry/ring";
import { boardRing } from "../layout/boardOutline";
import { type Wire, boardOfAdded, wiresOf } from "../wires/wires";
import { boxAround, escapeXml, ringData, svgOpen } from "./svgText";

/** What of a step is drawn. */
export type Shown = Pick<Step, "face" | "boardId" | "wires" | "lit">;

/** What a step's picture shows: the piece as it lies, its parts faint, those of the step dark. */
interface Picture {
  edges: Ring[];
  faint: Ring[];
  lit: { ring: Ring; words: string }[];
  wires: [Point, Point][];
}

const num = (value: number) => String(Math.round(value * 100) / 100);

/** Seen from behind left and right change places. */
const seenFrom = (face: Step["face"]) => (p: Point) => (face === "back" ? point(-p.xMm, p.yMm) : p);

/** Boards that a step is about: the one in hand, or all that its parts lie on. */
function boardsOf(design: Design, step: Shown): Set<string> {
  if (step.boardId !== null) return new Set([step.boardId]);
  return new Set(design.boards.map(({ id }) => id));
}

function pictureOf(design: Design, step: Shown, wires: Wire[]): Picture {
  const boards = boardsOf(design, step);
  const { bodies, chips, controllers } = derive(design);
  const lit = new Set([...step.lit.controls, ...step.lit.chips, ...step.lit.controllers]);
  const things = [
    ...design.controls.map(({ id, label, placement }, nth) => ({
      id,
      words: label,
      boardId: placement.boardId,
      outline: bodies[nth],
    })),
    ...chips.map((chip) => ({
      id: chip.id,
      words: chip.label,
      boardId: boardOfAdded(chip.id, design),
      outline: chipOutline(chip),
    })),
    ...controllers.flatMap(({ controller, outline }, nth) =>
      outline ? [{ id: controller.id, words: `A${nth + 1}`, boardId: controller.placement.boardId, outline }] : [],
    ),
  ].filter(({ boardId }) => boards.has(boardId));
  const see = seenFrom(step.face);
  const ring = ({ outline }: (typeof things)[number]) => outlineRing(outline, 0.1).map(see);
  const own = new Set(step.wires);
  return {
    edges: design.boards
      .flatMap(({ id }) => (boards.has(id) ? [boardRing(design, id)?.map(see) ?? []] : []))
      .filter((one) => one.length > 0),
    faint: things.filter(({ id }) => !lit.has(id)).map(ring),
    lit: things.filter(({ id }) => lit.has(id)).map((thing) => ({ ring: ring(thing), words: thing.words })),
    wires: wires.filter(({ key }) => own.has(key)).map(({ from, to }) => [see(from.at), see(to.at)]),
  };
}

const NAME_MM = 2.8;

/** The picture of one step as SVG, in mm, mirrored where one works from behind; "" where there is nothing to see. */
export function stepDrawing(design: Design, step: Shown): string {
  const { edges, faint, lit, wires } = pictureOf(design, step, wiresOf(design));
  const rings = [...edges, ...faint, ...lit.map(({ ring }) => ring)];
  if (rings.length === 0) return "";
  const words = lit.map(({ ring, words: name }) => {
    const at = ringCentre(ring);
    return `<text x="${num(at.xMm)}" y="${num(at.yMm + NAME_MM / 3)}" font-size="${NAME_MM}" text-anchor="middle">${escapeXml(name)}</text>`;
  });
  return [
    svgOpen(boxAround(rings, 3)),
    ...edges.map((ring) => `<path d="${ringData(ring)}" fill="none" stroke="#333" stroke-width="0.4"/>`),
    ...faint.map((ring) => `<path d="${ringData(ring)}" fill="none" stroke="#bbb" stroke-width="0.2"/>`),
    ...lit.map(({ ring }) => `<path d="${ringData(ring)}" fill="#f3e2b3" stroke="#000" stroke-width="0.35"/>`),
    ...words,
    ...wires.map(
      ([a, b]) =>
        `<path d="M${num(a.xMm)} ${num(a.yMm)}L${num(b.xMm)} ${num(b.yMm)}" stroke="#1d4f91" stroke-width="0.7"/><circle cx="${num(a.xMm)}" cy="${num(a.yMm)}" r="0.8"/><circle cx="${num(b.xMm)}" cy="${num(b.yMm)}" r="0.8"/>`,
    ),
    "</svg>",
  ].join("");
}
