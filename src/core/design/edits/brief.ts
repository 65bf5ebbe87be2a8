import { budgetOf, wishAsPlaced } from "../../brief/budget";
import type { ChosenPlan, Wish, WishCount } from "../../brief/wish";
import { switchWayNamed } from "../../brief/ways";
import { kindOfLine } from "../../brief/wishWords";
import { type Control, kindNamed } from "../../catalogue/kinds";
import type { Circuit } from "../../circuits";
import type { LightChain } from "../../circuits/lightChain";
import type { PlacedElement } from "../../circuits/net";
import { matrixParts, planPartInOrder, usualMatrixWish } from "../../matrix/planMatrix";
import { boundsOf } from "../../layout/outline";
import { derive } from "../derive";
import type { Design } from "../schema";
import { nextLabel, tidyMm } from "./controls";
import { chooseController } from "./pins";
import { changeCircuit, orderMembers, setDiodes, takeMatrixPlan, unwire, wireAs, wireDirect } from "./wiring";

export const changeWish = (design: Design, change: Partial<Wish>): Design => ({
  ...design,
  brief: { ...design.brief, wish: { ...design.brief.wish, ...change } },
});

/** Takes a plan of the brief: its controller class, and the wiring of what is already placed. */
export function takePlan(design: Design, chosen: ChosenPlan): Design {
  const withPlan = { ...design, brief: { ...design.brief, chosen } };
  return wireAsPlanned(chooseController(withPlan, chosen.profileId));
}

/** Makes the brief say what is placed. */
export const briefFromLayout = (design: Design): Design => changeWish(design, wishAsPlaced(design));

/** Whether a plan can be wired; one from outside may name a way that is not there. */
export const isDrawn = (strategy: string): boolean => switchWayNamed(strategy) !== undefined;

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
  if (design.controls.length === 0 || !chosen || !isDrawn(chosen.strategy)) return design;
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
  return wired.circuits.reduce((d, { id }) => orderMembers(d, id), wired);
}

/** Keys come first and nearest to the hand; what is read stands at the top. */
const ORDER: WishCount[] = [
  "keys",
  "ladderPads",
  "toggles",
  "fiveWays",
  "encoders",
  "concentrics",
  "pots",
  "sticks2",
  "sticks3",
  "lamps",
  "lights",
  "segments",
  "displays",
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

const GAP_MM = 4;

interface Shelf {
  design: Design;
  topMm: number;
}

/** Room that a control takes: its cap and its body together. */
function sizeOf(design: Design, control: Control): { widthMm: number; heightMm: number } {
  const kind = kindNamed(control.kind);
  const part = derive(design).partOf(control);
  const box = boundsOf([...kind.cap(control, design.pitch, part), kind.body(control, part)])!;
  return { widthMm: box.maxXMm - box.minXMm, heightMm: box.maxYMm - box.minYMm };
}

/** Lays so many controls of one line in near-square rows beneath `topMm`. */
function layRows({ design, topMm }: Shelf, line: WishCount, count: number, newId: () => string): Shelf {
  const boardId = design.boards[0].id;
  const probe = freshOf(design, line, "probe", boardId);
  const size = sizeOf(design, probe);
  const isKey = probe.kind === "key";
  const step = isKey ? design.pitch : { xMm: Math.ceil(size.widthMm + GAP_MM), yMm: Math.ceil(size.heightMm + GAP_MM) };
  const across = Math.max(1, Math.ceil(Math.sqrt((count * 2 * step.yMm) / step.xMm)));
  let next = design;
  for (let nth = 0; nth < count; nth++) {
    const control = freshOf(next, line, newId(), boardId);
    const placement = {
      ...control.placement,
      xMm: tidyMm((nth % across) * step.xMm + size.widthMm / 2),
      yMm: tidyMm(topMm + Math.floor(nth / across) * step.yMm + size.heightMm / 2),
    };
    next = { ...next, controls: [...next.controls, { ...control, placement }] };
  }
  return { design: next, topMm: topMm + Math.ceil(count / across) * step.yMm + (isKey ? GAP_MM : 0) };
}

/** Places what the brief wishes and the mat does not have yet, in rows beneath what is there, sort by sort. */
export function placeBrief(design: Design, newId: () => string, only?: WishCount): Design {
  const box = boundsOf([...derive(design).caps, ...derive(design).bodies]);
  const open = new Map(budgetOf(design).lines.map(({ line, wished, placed }) => [line, wished - placed]));
  const lines = ORDER.filter((line) => (open.get(line) ?? 0) > 0 && (!only || only === line));
  if (lines.length === 0) return design;
  const { design: placed } = lines.reduce<Shelf>((shelf, line) => layRows(shelf, line, open.get(line)!, newId), {
    design,
    topMm: box ? box.maxYMm + GAP_MM : 0,
  });
  // A controller that was laid on the empty mat makes room for what is placed there now.
  const { controller } = derive(placed);
  return controller ? chooseController(placed, controller.profileId) : placed;
}
