import { useRef, useState } from "react";
import { kindNamed } from "@/core/catalogue/kinds";
import { derive } from "@/core/derived/derive";
import { endUnder, firstEnd, movableEnds, wipersOf } from "@/core/engine/movable";
import { useDesign } from "@/store/bench";
import { select, pickController, pickNet, toggleSelected, useHand } from "@/store/hand";
import { useLayoutView } from "@/store/layoutView";
import { usePlacing } from "@/store/placing";
import { moveWiper, turnElement, useSession } from "@/store/session";
import type { LensId } from "@/ui/lenses/lens";
import type { MatPointer } from "@/ui/mat/Mat";
import type { StageView } from "../stageView";
import { frameParts } from "./grips/frameParts";
import { type Grip, type GripShow, SNAP_PARTS, snapMm } from "./grips/grip";
import { laterGrip } from "./grips/laterGrip";
import { movePot, moveStick } from "./grips/moveWiperEnd";
import { pressEnd } from "./grips/pressEnd";
import { turnEnd } from "./grips/turnEnd";
import { idAt } from "./matTargets";
import { useMatKeys } from "./useMatKeys";

const isAdding = ({ event }: MatPointer) => event.shiftKey || event.ctrlKey || event.metaKey;

/** Of a pot's way, for a step of the wheel. */
const WHEEL_PART = 0.04;

/** What the hand does on the mat, by the stage's mode: select and move, pick, or press and turn. */
export function useMatHand(stage: StageView, lens: LensId) {
  const design = useDesign();
  const selection = useHand((state) => state.selection);
  const placing = usePlacing((state) => state.kind);
  const outlineOf = useLayoutView((state) => state.outlineOf);
  /** By pointer: several fingers can press several keys. */
  const grips = useRef(new Map<number, Grip>());
  const [show, setShow] = useState<GripShow>({});
  const isArranging = stage.mode === "arrange";
  const keys = useMatKeys(stage, lens);

  const placeHere = ({ at }: MatPointer) => {
    const place = {
      xMm: snapMm(at.xMm, design.pitch.xMm / SNAP_PARTS, false),
      yMm: snapMm(at.yMm, design.pitch.yMm / SNAP_PARTS, false),
      rotationDeg: 0,
      boardId: design.boards[0].id,
    };
    void import("@/store/selectionEdits").then((m) => m.placeControl(placing!, place));
  };

  const gripControl = (id: string, pointer: MatPointer): Grip | null => {
    if (isAdding(pointer)) {
      toggleSelected(id);
      return null;
    }
    const ids = isArranging && selection.includes(id) ? selection : [id];
    if (ids !== selection) select([id]);
    if (!isArranging) return null;
    return laterGrip(() => import("./grips/moveParts").then((m) => m.moveParts(design, ids, id, pointer.at)));
  };

  const pressControl = (id: string, { at }: MatPointer): Grip | null => {
    const control = derive(design).controls.get(id)!;
    const wipers = wipersOf(control);
    if (control.kind === "stick") return moveStick(control, wipers, firstEnd(control, "switch"), at);
    if (wipers.length > 0) return movePot(control, wipers[0], at);
    const end = endUnder(design, control, at);
    if (!end) return null;
    if (end.kind === "quadrature") return turnEnd(end.id, control.placement, at);
    return pressEnd(
      end,
      movableEnds(control).filter(({ id: other }) => other !== end.id),
    );
  };

  const gripNetFlag = (id: string, { at }: MatPointer): Grip | null => {
    if (stage.onNet?.(id)) return null;
    pickNet(id);
    if (lens !== "pins" || design.pinPlan[id]?.locked) return null;
    return laterGrip(() => import("./grips/carryNet").then((m) => m.carryNet(design, id, at)));
  };

  const gripEmpty = (pointer: MatPointer): Grip => {
    const adding = isAdding(pointer);
    if (!adding) {
      select([]);
      pickNet(null);
    }
    return frameParts(design, pointer.at, adding ? selection : []);
  };

  /** What lies under the pointer, the uppermost first. */
  const gripAt = (pointer: MatPointer): Grip | null => {
    const { target } = pointer.event;
    const control = idAt(target, "control");
    if (stage.mode === "press") return control ? pressControl(control, pointer) : null;
    const corner = idAt(target, "corner");
    if (corner !== null && outlineOf)
      return laterGrip(() => import("./grips/moveCorner").then((m) => m.moveCorner(design, outlineOf, Number(corner))));
    const net = idAt(target, "net");
    if (net) return gripNetFlag(net, pointer);
    const chip = idAt(target, "chip");
    if (chip) return laterGrip(() => import("./grips/moveChip").then((m) => m.moveChip(design, chip, pointer.at)));
    if (control) return gripControl(control, pointer);
    const module = idAt(target, "module");
    if (module !== null && (isArranging || stage.id === "pins")) {
      pickController(module);
      return laterGrip(() => import("./grips/moveModule").then((m) => m.moveModule(design, module, pointer.at)));
    }
    return gripEmpty(pointer);
  };

  const onPointerDown = (pointer: MatPointer) => {
    const { event } = pointer;
    (event.currentTarget as SVGSVGElement).setPointerCapture(event.pointerId);
    if (placing && isArranging) return placeHere(pointer);
    const grip = gripAt(pointer);
    if (grip) grips.current.set(event.pointerId, grip);
  };

  const onPointerMove = (pointer: MatPointer) => {
    const shown = grips.current.get(pointer.event.pointerId)?.follow?.(pointer);
    if (shown) setShow(shown);
  };

  const onPointerUp = (pointer: MatPointer) => {
    const grip = grips.current.get(pointer.event.pointerId);
    grips.current.delete(pointer.event.pointerId);
    setShow({});
    grip?.end(pointer);
  };

  const onWheelOver = (target: Element, deltaY: number) => {
    const control = derive(design).controls.get(idAt(target, "control") ?? "");
    const knob = control && movableEnds(control).find(({ kind }) => kind === "quadrature");
    const pot = control?.kind === "pot" ? wipersOf(control)[0] : undefined;
    if (stage.mode === "press" && pot) {
      const place = useSession.getState().places[pot.id] ?? 0;
      moveWiper(pot.id, Math.max(0, place + (deltaY < 0 ? WHEEL_PART : -WHEEL_PART)));
      return true;
    }
    if (stage.mode !== "press" || !knob) return false;
    turnElement(knob.id, deltaY < 0 ? 1 : -1);
    return true;
  };

  const running = useSession((state) => state.running);
  const hint =
    placing && isArranging
      ? `Click where the ${kindNamed(placing).title.toLowerCase()} goes. Escape ends.`
      : stage.mode === "press" && (running || stage.isReadFirst) && design.controls.length > 0
        ? "Live: press keys, drag or wheel over knobs"
        : "";
  return { ...show, hint, handlers: { onPointerDown, onPointerMove, onPointerUp, ...keys, onWheelOver } };
}
