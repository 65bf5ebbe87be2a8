import { budgetOf, wishAsPlaced } from "../brief/budget";
import type { ChosenPlan, Wish, WishCount } from "../document/wish";
import { switchWayNamed } from "../brief/ways";
import { kindOfLine } from "../brief/wishWords";
import { type Control, kindNamed } from "../catalogue/kinds";
import type { Circuit } from "../circuits";
import type { LightChain } from "../circuits/lightChain";
import type { PlacedElement } from "../circuits/net";
import { checkMatrix } from "../matrix/matrixElectrics";
import { stiffPlates } from "../making/stiffPlates";
import { matrixParts, planPartInOrder, usualMatrixWish } from "../matrix/planMatrix";
import { shapeOutline } from "../catalogue/parts/part";
import { boundsOf, circle, placeOutline } from "../geometry/outline";
import { derive } from "../derived/derive";
import type { Design } from "../document/schema";
import { nextLabel } from "./controls";
import { tidyMm } from "../geometry/tidyMm";
import { chooseController } from "./pins";
import { setTiming } from "./timing";
import { changeCircuit, orderMembers, setDiodes, takeMatrixPlan, unwire, wireAs, wireDirect } from "./wiring";

export const changeWish = (design: Design, change: Partial<Wish>): Design => ({
  ...design,
  brief: { ...design.brief, wish: { ...design.brief.wish, ...change } },
});

/** Takes a plan of the brief: its controller class, and the wiring of what is already placed. */
export function takePlan(design: Design, chosen: ChosenPlan): Design {
  const withPlan = { ...design, brief: { ...design.brief, chosen } };
  return stiffPlates(wireAsPlanned(chooseController(withPlan, chosen.profileId)));
}

/** Makes the brief say what is placed. */
export const briefFromLayout = (design: Design): Design => changeWish(design, wishAsPlaced(design));

const idsOf = (design: Design, test: (element: PlacedElement) => boolean) =>
  [...derive(design).elements.values()].filter(test).map(({ id }) => id);

/** Bus devices, chains of lights and segment displays have one sensible way each. */
const OWN_CIRCUITS: Circuit["kind"][] = ["light-chain", "bus-displays", "segment-chain", "spi-radio"];

function wireSwitches(design: Design, { strategy, turnWay }: ChosenPlan): Design {
  const kind = switchWayNamed(strategy)?.circuit;
  if (!kind) return design;
  const both = turnWay === "with-switches";
  const ids = idsOf(design, (element) => element.kind === "switch" || (both && element.kind === "quadrature"));
  if (kind !== "matrix") return wireAs(design, kind, ids);
  const shape = strategy === "matrix-given" ? design.brief.matrixShape : null;
  const wish = {
    ...usualMatrixWish,
    lines: "fewest-pins" as const,
    rows: shape?.rows ?? null,
    columns: shape?.columns ?? null,
  };
  const loose = unwire(design, ids);
  const wired = takeMatrixPlan(
    loose,
    matrixParts(loose, wish).flatMap((part) => planPartInOrder(part) ?? []),
  );
  // The plan was reckoned with diodes or without, by the wish.
  return setDiodes(wired, design.brief.wish.chords ? "column-to-row" : "none");
}

/** 5 V lights want a data level near 3.5 V (common practice): the plan counts a shifter where the logic gives less. */
const LIGHT_DATA_V = 3.5;

const withShifters = (design: Design): Design =>
  (derive(design).profile?.logicV ?? LIGHT_DATA_V) >= LIGHT_DATA_V
    ? design
    : design.circuits.reduce(
        (d, circuit) =>
          circuit.kind === "light-chain" ? changeCircuit<LightChain>(d, circuit.id, { shifted: true }) : d,
        design,
      );

/** Wires everything the way the chosen plan says. */
export function wireAsPlanned(design: Design): Design {
  const { chosen } = design.brief;
  if (design.controls.length === 0 || !chosen || !switchWayNamed(chosen.strategy)) return design;
  const of = (kind: PlacedElement["kind"]) => (d: Design) => idsOf(d, (element) => element.kind === kind);
  const switched = wireSwitches(design, chosen);
  const lit = wireAs(switched, chosen.lampWay === "direct" ? "direct" : "output-registers", of("lamp")(switched));
  const voltages = wireAs(lit, chosen.analogWay === "direct" ? "direct" : "multiplexer", of("analog")(lit));
  const devices = OWN_CIRCUITS.reduce(
    (d, kind) =>
      wireAs(
        d,
        kind,
        idsOf(d, () => true),
      ),
    voltages,
  );
  const shifted = withShifters(devices);
  const { circuitsOf } = derive(shifted);
  const wired = wireDirect(
    shifted,
    idsOf(shifted, ({ id }) => !circuitsOf.has(id)),
  );
  return patientEnough(wired.circuits.reduce((d, { id }) => orderMembers(d, id), wired));
}

/** Lines that take longer to settle than the firmware waits are waited for. */
function patientEnough(design: Design): Design {
  const needed = design.circuits.flatMap((circuit) =>
    circuit.kind === "matrix" ? [Math.ceil(checkMatrix(design, circuit)?.settleUs ?? 0)] : [],
  );
  const settleUs = Math.min(250, Math.max(design.timing.settleUs, ...needed));
  return settleUs === design.timing.settleUs ? design : setTiming(design, { settleUs });
}

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
  const open = new Map(budgetOf(design).lines.map(({ line, wished, placed }) => [line, wished - placed]));
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
