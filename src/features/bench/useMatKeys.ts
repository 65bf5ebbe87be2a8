import { type FocusEvent, type KeyboardEvent, useRef } from "react";
import { derive } from "@/core/derived/derive";
import { firstEnd, movableEnds } from "@/core/engine/movable";
import { useDesign } from "@/store/bench";
import { select, pickNet, toggleSelected, useHand } from "@/store/hand";
import { flipElement, pressElement, turnElement } from "@/store/session";
import type { LensId } from "@/ui/lenses/lens";
import type { StageView } from "../stageView";
import { SNAP_PARTS } from "./grips/grip";
import { idAt } from "./matTargets";
import { neighbour } from "./neighbour";

const FINE_MM = 0.1;

type MatKey = KeyboardEvent<SVGSVGElement>;

/** What keys do on the mat: go about, nudge, select, press and turn. */
export function useMatKeys(stage: StageView, lens: LensId) {
  const design = useDesign();
  const selection = useHand((state) => state.selection);
  const flipped = useHand((state) => state.flipped);
  const isLive = stage.mode === "press";

  const focusNeighbour = (event: MatKey, id: string) => {
    const next = neighbour(design.controls, id, event.key, flipped);
    if (next) event.currentTarget.querySelector<SVGGElement>(`[data-control="${next}"]`)?.focus();
  };

  const nudge = (event: MatKey) => {
    const step = (pitch: number) => (event.shiftKey ? FINE_MM : pitch / SNAP_PARTS);
    const across = event.key === "ArrowLeft" ? -1 : event.key === "ArrowRight" ? 1 : 0;
    const down = event.key === "ArrowUp" ? -1 : event.key === "ArrowDown" ? 1 : 0;
    const xMm = across * step(design.pitch.xMm) * (flipped ? -1 : 1);
    const yMm = down * step(design.pitch.yMm);
    void import("./grips/moveParts").then((m) => m.shiftParts(selection, xMm, yMm));
  };

  /** A flag in focus goes round the module with the arrow keys; a taken pin is swapped. */
  const stepNet = (event: MatKey, netId: string) => {
    const net = derive(design).netById.get(netId);
    if (!net?.need) return;
    pickNet(netId);
    if (!event.key.startsWith("Arrow")) return;
    event.preventDefault();
    const by = event.key === "ArrowDown" || event.key === "ArrowRight" ? 1 : -1;
    void import("./grips/stepPin").then((m) => m.stepPin(netId, by));
  };

  /** With Shift the second end: an inner ring, the lower half of a lever. */
  const endOf = (id: string, kind: "switch" | "quadrature", second: boolean) => {
    const control = derive(design).controls.get(id);
    if (!control) return undefined;
    const ends = movableEnds(control).filter((end) => end.kind === kind);
    return (second ? ends[1] : undefined) ?? firstEnd(control, kind);
  };

  /** The end that each key of the keyboard holds down; the focus may go on to another part meanwhile. */
  const held = useRef(new Map<string, string>());
  const letGo = (endId: string, key: string) => {
    held.current.delete(key);
    pressElement(endId, false);
  };

  const press = (event: MatKey, id: string) => {
    const end = endOf(id, "switch", event.shiftKey);
    if (!end || event.repeat) return;
    const others = movableEnds(derive(design).controls.get(id)!).filter((other) => other.stays && other.id !== end.id);
    if (end.stays)
      flipElement(
        end.id,
        others.map((other) => other.id),
      );
    else {
      held.current.set(event.key, end.id);
      pressElement(end.id, true);
    }
  };

  const onKeyDown = (event: MatKey) => {
    const flag = idAt(event.target, "net");
    if (flag && lens === "pins" && (event.key.startsWith("Arrow") || event.key === "Enter"))
      return stepNet(event, flag);
    const id = idAt(event.target, "control");
    if (!id) return;
    const isArrow = event.key.startsWith("Arrow");
    const isActing = event.key === " " || event.key === "Enter";
    const isTurning = isLive && (event.key === "PageUp" || event.key === "PageDown");
    if (!isArrow && !isActing && !isTurning) return;
    event.preventDefault();
    if (isTurning) {
      const knob = endOf(id, "quadrature", event.shiftKey);
      if (knob) turnElement(knob.id, event.key === "PageUp" ? 1 : -1);
    } else if (isArrow && stage.mode === "arrange" && selection.includes(id) && !event.ctrlKey && !event.metaKey) {
      nudge(event);
    } else if (isArrow) focusNeighbour(event, id);
    else if (isLive) press(event, id);
    else if (event.key === "Enter") select([id]);
    else toggleSelected(id);
  };

  const onKeyUp = (event: MatKey) => {
    const endId = held.current.get(event.key);
    if (endId) letGo(endId, event.key);
  };

  /** Beyond the mat the key's release is not heard any more. */
  const onBlur = (event: FocusEvent<SVGSVGElement>) => {
    if (!event.currentTarget.contains(event.relatedTarget)) held.current.forEach(letGo);
  };

  return { onKeyDown, onKeyUp, onBlur };
}
