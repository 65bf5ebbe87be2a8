import { create } from "zustand";
import type { Design } from "@/core/document/schema";
import { derive } from "@/core/derived/derive";
import { takePinPlan } from "@/core/edits/pins";
import { type PinPlanMode, type PinPlanResult, movedNets, planPins } from "@/core/pins/planPins";
import { currentDesign, edit } from "./bench";

export interface MovedNet {
  flag: string;
  from: string;
  to: string;
}

interface PinPlanView {
  /** The plan that was taken last, with the design it left, so that it is not shown beside another one. */
  taken: { plan: PinPlanResult; moved: MovedNet[]; design: Design } | null;
}

/** What the last planning of pins came to. */
export const usePinPlanView = create<PinPlanView>(() => ({ taken: null }));

/** Nets that a change has moved, by their flags. */
export function movedBetween(before: Design, after: Design): MovedNet[] {
  const flags = derive(after).netById;
  const now = Object.fromEntries(Object.entries(after.pinPlan).map(([id, { pin }]) => [id, pin]));
  return movedNets(before.pinPlan, now).flatMap(({ netId, from, to }) => {
    const flag = flags.get(netId)?.flag;
    return flag ? [{ flag, from, to }] : [];
  });
}

/** Plans the pins, takes the plan over, and keeps what it came to. */
export function planAndTakePins(mode: PinPlanMode): void {
  const before = currentDesign();
  if (!before) return;
  const plan = planPins(before, mode);
  edit(mode === "afresh" ? "share out pins" : "fit in new nets", (d) => takePinPlan(d, plan));
  const design = currentDesign()!;
  usePinPlanView.setState({ taken: { plan, moved: movedBetween(before, design), design } });
}
