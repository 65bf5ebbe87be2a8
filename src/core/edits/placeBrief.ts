import { budgetLines } from "../brief/budgetLines";
import { kindOfLine } from "../brief/wishWords";
import { type Control, kindNamed } from "../catalogue/kinds";
import { shapeOutline } from "../catalogue/parts/part";
import { derive } from "../derived/derive";
import type { Design } from "../document/schema";
import type { WishCount } from "../document/wish";
import { boundsOf, circle, placeOutline } from "../geometry/outline";
import { tidyMm } from "../geometry/tidyMm";
import { stiffPlates } from "../making/stiffPlates";
import { nextLabel } from "./controls";
import { chooseController } from "./pins";

/** From the top of the panel down: what is read, what is turned and flipped, what the fingers rest on, what is hidden. */
const ORDER: WishCount[] = [
  "displays",
  "segments",
  "lights",
  "lamps",
  "toggles",
  "pots",
  "concentrics",
  "encoders",
  "sticks2",
  "sticks3",
  "fiveWays",
  "keys",
  "ladderPads",
  "buzzers",
  "motors",
  "radios",
];

/** A fresh control of a line of the brief, with the choices that the brief makes. */
function freshOf(design: Design, line: WishCount, id: string, boardId: string): Control {
  const maker = kindNamed(kindOfLine[line]);
  const control = maker.fresh(id, nextLabel(design, maker.prefix), { xMm: 0, yMm: 0, rotationDeg: 0, boardId });
  const { wish } = design.brief;
  if (control.kind === "encoder") return { ...control, push: wish.encoderPush };
  if (control.kind === "concentric") return { ...control, push: wish.concentricPush };
  if (control.kind === "stick") return { ...control, axes: line === "sticks3" ? 3 : 2, push: wish.stickPush };
  return control;
}

/** Between blocks, and between parts of a block that have no pitch of their own (common practice: room for a finger). */
const GAP_MM = 6;
/** Wall of plate kept between openings, whatever the caps (common practice: 1.5 to 2 mm). */
const WALL_MM = 2.5;
/** A block of keys narrower than this is no measure for the rows above it. */
const LEAST_WIDTH_MM = 110;

/** Room that a control takes about its centre: cap, body, openings with their wall, and what swings before the plate. */
function roomOf(design: Design, control: Control): { leftMm: number; rightMm: number; upMm: number; downMm: number } {
  const kind = kindNamed(control.kind);
  const part = derive(design).partOf(control);
  const plain = boundsOf([...kind.cap(control, design.pitch, part), kind.body(control, part)])!;
  const swing = [part.front, part.behind].flatMap((shape) => (shape ? [shapeOutline(shape)] : []));
  const holes = [
    ...kind.openings(control, part),
    ...part.posts.map((post) => placeOutline(circle(post.diameterMm), { ...post, rotationDeg: 0 })),
  ];
  const cut = boundsOf(holes) ?? plain;
  const moving = boundsOf(swing) ?? plain;
  const half = WALL_MM / 2;
  return {
    leftMm: Math.max(-plain.minXMm, -moving.minXMm, half - cut.minXMm),
    rightMm: Math.max(plain.maxXMm, moving.maxXMm, cut.maxXMm + half),
    upMm: Math.max(-plain.minYMm, -moving.minYMm, half - cut.minYMm),
    downMm: Math.max(plain.maxYMm, moving.maxYMm, cut.maxYMm + half),
  };
}

/** Columns of a block that is near-square, with few places left empty in its last row. */
function columnsFor(count: number, step: { xMm: number; yMm: number }): number {
  const score = (columns: number) => {
    const rows = Math.ceil(count / columns);
    const [width, height] = [columns * step.xMm, rows * step.yMm];
    return Math.max(width / height, height / width) + (2 * (columns * rows - count)) / count;
  };
  const all = Array.from({ length: count }, (_, nth) => nth + 1);
  return all.reduce((best, columns) => (score(columns) < score(best) ? columns : best), 1);
}

/** Controls of one line, laid out from (0, 0) on. */
interface Block {
  controls: Control[];
  widthMm: number;
  heightMm: number;
}

/** Keys and pads form a block at the pitch; all else stands in rows no wider than the keys beneath. */
function blockOf(design: Design, line: WishCount, count: number, widestMm: number, newId: () => string): Block {
  const boardId = design.boards[0].id;
  const probe = freshOf(design, line, "probe", boardId);
  const room = roomOf(design, probe);
  const size = { xMm: room.leftMm + room.rightMm, yMm: room.upMm + room.downMm };
  const isKey = probe.kind === "key";
  const step = isKey ? design.pitch : { xMm: Math.ceil(size.xMm + GAP_MM), yMm: Math.ceil(size.yMm + GAP_MM) };
  const isBlock = isKey || probe.kind === "ladder-pad";
  const columns = isBlock ? columnsFor(count, step) : Math.max(1, Math.min(count, Math.floor(widestMm / step.xMm)));
  // Rows of the same length: seven in rows of six would leave one alone.
  const rows = Math.ceil(count / columns);
  const across = isBlock ? columns : Math.ceil(count / rows);
  let labelled = design;
  const controls = Array.from({ length: count }, (_, nth) => {
    const control = freshOf(labelled, line, newId(), boardId);
    const placement = {
      ...control.placement,
      xMm: tidyMm((nth % across) * step.xMm + room.leftMm),
      yMm: tidyMm(Math.floor(nth / across) * step.yMm + room.upMm),
    };
    const placed = { ...control, placement } as Control;
    labelled = { ...labelled, controls: [...labelled.controls, placed] };
    return placed;
  });
  return {
    controls,
    widthMm: (across - 1) * step.xMm + size.xMm,
    heightMm: (rows - 1) * step.yMm + size.yMm,
  };
}

/**
 * Places what the brief wishes and the mat does not have yet, beneath what is there: blocks one under the other, each in
 * the middle, what is read on top and the keys nearest to the hand.
 */
export function placeBrief(design: Design, newId: () => string, only?: WishCount): Design {
  const box = boundsOf([...derive(design).caps, ...derive(design).bodies]);
  const open = new Map(budgetLines(design).map(({ line, wished, placed }) => [line, wished - placed]));
  const lines = ORDER.filter((line) => (open.get(line) ?? 0) > 0 && (!only || only === line));
  if (lines.length === 0) return design;
  const keys = lines.includes("keys") ? blockOf(design, "keys", open.get("keys")!, Infinity, () => "probe") : null;
  const widest = Math.max(LEAST_WIDTH_MM, keys?.widthMm ?? 0, box ? box.maxXMm - box.minXMm : 0);
  let placed = design;
  let topMm = box ? box.maxYMm + GAP_MM : 0;
  const leftMm = box?.minXMm ?? 0;
  for (const line of lines) {
    const block = blockOf(placed, line, open.get(line)!, widest, newId);
    const shift = { xMm: tidyMm(leftMm + (widest - block.widthMm) / 2), yMm: topMm };
    const controls = block.controls.map((control) => ({
      ...control,
      placement: {
        ...control.placement,
        xMm: tidyMm(control.placement.xMm + shift.xMm),
        yMm: tidyMm(control.placement.yMm + shift.yMm),
      },
    })) as Control[];
    placed = { ...placed, controls: [...placed.controls, ...controls] };
    topMm = tidyMm(topMm + block.heightMm + GAP_MM);
  }
  // A controller that was laid on the empty mat makes room for what is placed there now.
  const { controller } = derive(placed);
  return stiffPlates(controller ? chooseController(placed, controller.profileId) : placed);
}
