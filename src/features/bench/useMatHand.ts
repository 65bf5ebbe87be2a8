import { type KeyboardEvent, useRef, useState } from "react";
import { type Control, kindNamed, kindOf } from "@/core/catalogue/kinds";
import { derive } from "@/core/design/derive";
import { changeBoard } from "@/core/design/edits/boards";
import { addControl, shiftControls } from "@/core/design/edits/controls";
import { moveController, movePin } from "@/core/design/edits/pins";
import { placeChip } from "@/core/design/edits/wiring";
import type { Design } from "@/core/design/schema";
import { type Point, distanceMm } from "@/core/layout/point";
import { nextPin } from "@/core/pins/padOrder";
import { pinPlace } from "@/core/pins/pinPlace";
import { edit, useDesign } from "@/store/bench";
import { select, takeNet, toggleSelected, useHand } from "@/store/hand";
import { useLayoutView } from "@/store/layoutView";
import { newId } from "@/store/newId";
import { usePlacing } from "@/store/placing";
import { pressElement, turnElement, useSession } from "@/store/session";
import type { LensId } from "@/ui/lenses/lens";
import type { MatPointer } from "@/ui/mat/Mat";
import type { Box } from "@/ui/mat/view";
import type { StageView } from "../stageView";
import { neighbour } from "./neighbour";

/** Movements snap to a quarter unit, as arrows do. */
const SNAP_PARTS = 4;
const FINE_MM = 0.1;
const CLICK_MM = 0.8;
const DEGREES_A_STEP = 15;

type Grip =
  | { doing: "move"; from: Point; ids: string[] }
  | { doing: "module"; from: Point }
  | { doing: "corner"; nth: number; boardId: string }
  | { doing: "frame"; from: Point; added: string[] }
  | { doing: "net"; from: Point; netId: string }
  | { doing: "chip"; from: Point; chipId: string }
  | { doing: "press"; elementId: string }
  | { doing: "turn"; elementId: string; centre: Point; angle: number };

const controlIdAt = (target: EventTarget | null) =>
  (target as Element | null)?.closest?.("[data-control]")?.getAttribute("data-control") ?? null;
const netIdAt = (target: EventTarget | null) =>
  (target as Element | null)?.closest?.("[data-net]")?.getAttribute("data-net") ?? null;
const chipIdAt = (target: EventTarget | null) =>
  (target as Element | null)?.closest?.("[data-chip]")?.getAttribute("data-chip") ?? null;
const cornerAt = (target: EventTarget | null) =>
  (target as Element | null)?.closest?.("[data-corner]")?.getAttribute("data-corner") ?? null;
const isModule = (target: EventTarget | null) => Boolean((target as Element | null)?.closest?.("[data-module]"));

const boxOf = (a: Point, b: Point): Box => ({
  minXMm: Math.min(a.xMm, b.xMm),
  minYMm: Math.min(a.yMm, b.yMm),
  maxXMm: Math.max(a.xMm, b.xMm),
  maxYMm: Math.max(a.yMm, b.yMm),
});

const within = (box: Box, { xMm, yMm }: Point) =>
  xMm >= box.minXMm && xMm <= box.maxXMm && yMm >= box.minYMm && yMm <= box.maxYMm;

const angleDeg = (centre: Point, at: Point) => (Math.atan2(at.yMm - centre.yMm, at.xMm - centre.xMm) * 180) / Math.PI;

function snapped(mm: number, pitchMm: number, fine: boolean): number {
  const step = fine ? FINE_MM : pitchMm / SNAP_PARTS;
  return Math.round(mm / step) * step;
}

function shiftFor(design: Design, from: Point, to: Point, fine: boolean): [number, number] {
  return [snapped(to.xMm - from.xMm, design.pitch.xMm, fine), snapped(to.yMm - from.yMm, design.pitch.yMm, fine)];
}

const capRadiusMm = (design: Design, control: Control) =>
  kindOf(control).cap(control, design.pitch, derive(design).partOf(control))[0].radiusMm;

/** What the hand does on the mat, by the stage's mode: select and move, pick, or press and turn. */
export function useMatHand(stage: StageView, lens: LensId) {
  const design = useDesign();
  const selection = useHand((state) => state.selection);
  const flipped = useHand((state) => state.flipped);
  const placing = usePlacing((state) => state.kind);
  const outlineOf = useLayoutView((state) => state.outlineOf);
  /** By pointer: several fingers can press several keys. */
  const grips = useRef(new Map<number, Grip>());
  const [preview, setPreview] = useState<Design | null>(null);
  const [frame, setFrame] = useState<Box | null>(null);
  const [carried, setCarried] = useState<{ netId: string; xMm: number; yMm: number } | null>(null);
  const isArranging = stage.mode === "arrange";

  const placeHere = ({ at }: MatPointer) => {
    const id = newId();
    const round = (mm: number, pitch: number) => Math.round(mm / (pitch / SNAP_PARTS)) * (pitch / SNAP_PARTS);
    const place = {
      xMm: round(at.xMm, design.pitch.xMm),
      yMm: round(at.yMm, design.pitch.yMm),
      rotationDeg: 0,
      boardId: design.boards[0].id,
    };
    edit(`place ${kindNamed(placing!).article}`, (d) => addControl(d, placing!, id, place));
    select([id]);
  };

  const takeControl = (id: string, pointer: MatPointer) => {
    const adding = pointer.event.shiftKey || pointer.event.ctrlKey || pointer.event.metaKey;
    if (adding) return toggleSelected(id);
    const ids = selection.includes(id) ? selection : [id];
    if (!selection.includes(id)) select([id]);
    if (isArranging) grips.current.set(pointer.event.pointerId, { doing: "move", from: pointer.at, ids });
  };

  const pressControl = (id: string, pointer: MatPointer) => {
    const control = derive(design).controls.get(id)!;
    const sorts = kindOf(control)
      .elements(control)
      .map((element) => element.kind);
    // A knob is turned by its rim and pushed in its middle, where it can be pushed.
    const middleMm = capRadiusMm(design, control) / 2;
    const onRim = distanceMm(pointer.at, control.placement) > middleMm;
    if (sorts.includes("quadrature") && (onRim || !sorts.includes("switch"))) {
      grips.current.set(pointer.event.pointerId, {
        doing: "turn",
        elementId: `${id}:turn`,
        centre: control.placement,
        angle: angleDeg(control.placement, pointer.at),
      });
      return;
    }
    grips.current.set(pointer.event.pointerId, { doing: "press", elementId: `${id}:press` });
    pressElement(`${id}:press`, true);
  };

  const takeNetFlag = (id: string, pointer: MatPointer) => {
    if (stage.onNet?.(id)) return;
    takeNet(id);
    if (lens === "pins" && !design.pinPlan[id]?.locked)
      grips.current.set(pointer.event.pointerId, { doing: "net", from: pointer.at, netId: id });
  };

  const onPointerDown = (pointer: MatPointer) => {
    const { event } = pointer;
    const controlId = controlIdAt(event.target);
    const net = netIdAt(event.target);
    const corner = cornerAt(event.target);
    (event.currentTarget as SVGSVGElement).setPointerCapture(event.pointerId);
    if (placing && isArranging) return placeHere(pointer);
    if (stage.mode === "press") return controlId ? pressControl(controlId, pointer) : undefined;
    if (corner !== null && outlineOf) {
      grips.current.set(event.pointerId, { doing: "corner", nth: Number(corner), boardId: outlineOf });
      return;
    }
    if (net) return takeNetFlag(net, pointer);
    const chipId = chipIdAt(event.target);
    if (chipId) {
      grips.current.set(event.pointerId, { doing: "chip", from: pointer.at, chipId });
      return;
    }
    if (controlId) return takeControl(controlId, pointer);
    if (isModule(event.target) && (isArranging || stage.id === "pins")) {
      grips.current.set(event.pointerId, { doing: "module", from: pointer.at });
      return;
    }
    const adding = event.shiftKey || event.ctrlKey || event.metaKey;
    if (!adding) {
      select([]);
      takeNet(null);
    }
    grips.current.set(event.pointerId, { doing: "frame", from: pointer.at, added: adding ? selection : [] });
  };

  const onPointerMove = ({ at, event }: MatPointer) => {
    const held = grips.current.get(event.pointerId);
    if (!held) return;
    if (held.doing === "move")
      setPreview(shiftControls(design, held.ids, ...shiftFor(design, held.from, at, event.altKey)));
    if (held.doing === "module") setPreview(movedModule(design, held.from, at, event.altKey));
    if (held.doing === "chip") setPreview(movedChip(design, held, at, event.altKey));
    if (held.doing === "corner") setPreview(movedCorner(design, held, at, event.altKey));
    if (held.doing === "frame") setFrame(boxOf(held.from, at));
    if (held.doing === "net" && distanceMm(held.from, at) > CLICK_MM) setCarried({ netId: held.netId, ...at });
    if (held.doing === "turn") followTurn(held, at);
  };

  /** A knob follows the pointer round it, a step every few degrees; the solder side turns the other way. */
  const followTurn = (held: Extract<Grip, { doing: "turn" }>, at: Point) => {
    let by = angleDeg(held.centre, at) - held.angle;
    if (by > 180) by -= 360;
    if (by < -180) by += 360;
    const steps = Math.trunc(by / DEGREES_A_STEP);
    if (steps === 0) return;
    held.angle += steps * DEGREES_A_STEP;
    turnElement(held.elementId, steps);
  };

  const onPointerUp = ({ at, event }: MatPointer) => {
    const held = grips.current.get(event.pointerId);
    grips.current.delete(event.pointerId);
    setPreview(null);
    setFrame(null);
    setCarried(null);
    if (!held) return;
    if (held.doing === "press") pressElement(held.elementId, false);
    if (held.doing === "move") finishMove(held.ids, shiftFor(design, held.from, at, event.altKey));
    if (held.doing === "module" && distanceMm(held.from, at) > CLICK_MM)
      edit("move the controller", (d) => movedModule(d, held.from, at, event.altKey));
    if (held.doing === "chip" && distanceMm(held.from, at) > CLICK_MM)
      edit("move an added part", (d) => movedChip(d, held, at, event.altKey));
    if (held.doing === "frame") select([...new Set([...held.added, ...controlsIn(design, boxOf(held.from, at))])]);
    if (held.doing === "corner") edit("move a corner", (d) => movedCorner(d, held, at, event.altKey));
    if (held.doing === "net") dropNet(held.netId, held.from, at);
  };

  const finishMove = (ids: string[], [xMm, yMm]: [number, number]) => {
    if (xMm !== 0 || yMm !== 0)
      edit(`move ${ids.length === 1 ? "1 part" : `${ids.length} parts`}`, (d) => shiftControls(d, ids, xMm, yMm));
  };

  const dropNet = (id: string, from: Point, at: Point) => {
    if (distanceMm(from, at) <= CLICK_MM) return;
    const pin = pinNear(design, at);
    if (pin) edit(`move ${derive(design).netById.get(id)?.flag ?? "a net"} to ${pin}`, (d) => movePin(d, id, pin));
  };

  const focusNeighbour = (event: KeyboardEvent<SVGSVGElement>, id: string) => {
    const next = neighbour(design.controls, id, event.key, flipped);
    if (!next) return;
    event.currentTarget.querySelector<SVGGElement>(`[data-control="${next}"]`)?.focus();
  };

  const nudge = (event: KeyboardEvent, ids: string[]) => {
    const step = (pitch: number) => (event.shiftKey ? FINE_MM : pitch / SNAP_PARTS);
    const across = event.key === "ArrowLeft" ? -1 : event.key === "ArrowRight" ? 1 : 0;
    const down = event.key === "ArrowUp" ? -1 : event.key === "ArrowDown" ? 1 : 0;
    finishMove(ids, [across * step(design.pitch.xMm) * (flipped ? -1 : 1), down * step(design.pitch.yMm)]);
  };

  /** A flag in focus goes round the module with the arrow keys; a taken pin is swapped. */
  const stepNet = (event: KeyboardEvent, netId: string) => {
    const { profile, netById } = derive(design);
    const net = netById.get(netId);
    if (!profile || !net?.need) return;
    takeNet(netId);
    if (!event.key.startsWith("Arrow")) return;
    event.preventDefault();
    const by = event.key === "ArrowDown" || event.key === "ArrowRight" ? 1 : -1;
    const kept = new Set(Object.values(design.pinPlan).flatMap(({ pin, locked }) => (locked ? [pin] : [])));
    const pin = nextPin(profile, net, design.pinPlan[netId]?.pin, by, kept);
    if (pin) edit(`move ${net.flag} to ${pin}`, (d) => movePin(d, netId, pin));
  };

  const onKeyDown = (event: KeyboardEvent<SVGSVGElement>) => {
    const flag = netIdAt(event.target);
    if (flag && lens === "pins" && (event.key.startsWith("Arrow") || event.key === "Enter"))
      return stepNet(event, flag);
    const id = controlIdAt(event.target);
    if (!id) return;
    const isArrow = event.key.startsWith("Arrow");
    const isActing = event.key === " " || event.key === "Enter";
    const isTurning = event.key === "PageUp" || event.key === "PageDown";
    if (!isArrow && !isActing && !(isTurning && stage.mode === "press")) return;
    event.preventDefault();
    if (isTurning) return turnElement(`${id}:turn`, event.key === "PageUp" ? 1 : -1);
    if (isArrow && isArranging && selection.includes(id) && !event.ctrlKey && !event.metaKey)
      return nudge(event, selection);
    if (isArrow) return focusNeighbour(event, id);
    if (stage.mode === "press") return event.repeat ? undefined : pressElement(`${id}:press`, true);
    if (event.key === "Enter") select([id]);
    else toggleSelected(id);
  };

  const onKeyUp = (event: KeyboardEvent<SVGSVGElement>) => {
    const id = controlIdAt(event.target);
    if (id && stage.mode === "press" && (event.key === " " || event.key === "Enter"))
      pressElement(`${id}:press`, false);
  };

  const onWheelOver = (target: Element, deltaY: number) => {
    const id = controlIdAt(target);
    if (stage.mode !== "press" || !id || !derive(design).elements.has(`${id}:turn`)) return false;
    turnElement(`${id}:turn`, deltaY < 0 ? 1 : -1);
    return true;
  };

  const running = useSession((state) => state.running);
  const hint =
    placing && isArranging
      ? `Click where the ${kindNamed(placing).title.toLowerCase()} goes. Escape ends.`
      : stage.mode === "press" && running && design.controls.length > 0
        ? "Live: press keys, drag or wheel over knobs"
        : "";
  return {
    preview,
    frame,
    carried,
    hint,
    handlers: { onPointerDown, onPointerMove, onPointerUp, onKeyDown, onKeyUp, onWheelOver },
  };
}

function movedModule(design: Design, from: Point, to: Point, fine: boolean): Design {
  const place = derive(design).controller?.placement;
  if (!place) return design;
  const step = fine ? FINE_MM : 0.5;
  const round = (mm: number) => Math.round(mm / step) * step;
  return moveController(design, {
    xMm: round(place.xMm + to.xMm - from.xMm),
    yMm: round(place.yMm + to.yMm - from.yMm),
  });
}

/** An added part at half millimetres, or at tenths. */
function movedChip(design: Design, held: { from: Point; chipId: string }, to: Point, fine: boolean): Design {
  const chip = derive(design).chips.find(({ id }) => id === held.chipId);
  if (!chip) return design;
  const step = fine ? FINE_MM : 0.5;
  const round = (mm: number) => Math.round(Math.round(mm / step) * step * 1000) / 1000;
  return placeChip(design, chip.id, {
    xMm: round(chip.at.xMm + to.xMm - held.from.xMm),
    yMm: round(chip.at.yMm + to.yMm - held.from.yMm),
  });
}

/** A corner of a drawn outline at half millimetres, or at tenths. */
function movedCorner(design: Design, held: { nth: number; boardId: string }, at: Point, fine: boolean): Design {
  const step = fine ? FINE_MM : 0.5;
  const round = (mm: number) => Math.round(mm / step) * step;
  const corner = { xMm: round(at.xMm), yMm: round(at.yMm) };
  const outline = design.boards
    .find(({ id }) => id === held.boardId)
    ?.outline?.map((old, nth) => (nth === held.nth ? corner : old));
  return outline ? changeBoard(design, held.boardId, { outline }) : design;
}

const controlsIn = (design: Design, box: Box) =>
  design.controls.filter((control) => within(box, control.placement)).map((control) => control.id);

const PIN_REACH_MM = 4;

/** The free or swappable pin nearest to where a flag was dropped. */
function pinNear(design: Design, at: Point): string | null {
  const { controller, profile } = derive(design);
  if (!controller || !profile) return null;
  const near = profile.pins
    .filter((pin) => pin.role === "io")
    .map((pin) => ({ name: pin.name, mm: distanceMm(pinPlace(controller, pin), at) }))
    .sort((a, b) => a.mm - b.mm)[0];
  return near && near.mm <= PIN_REACH_MM * 2 ? near.name : null;
}
