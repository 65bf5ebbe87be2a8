import { create } from "zustand";
import type { Design } from "@/core/document/schema";
import { derive } from "@/core/derived/derive";
import { chooseController, takePinPlan } from "@/core/edits/pins";
import { movedNets } from "@/core/pins/leads";
import type { PinPlanMode, PinPlanResult } from "@/core/pins/planPins";
import { currentDesign, edit } from "./bench";

export interface MovedNet {
  flag: string;
  from: string;
  to: string;
}

interface PinPlanView {
  /** The plan that was taken last, with the design it left, so that it is not shown beside another one. */
  taken: { plan: PinPlanResult; moved: MovedNet[]; design: Design } | null;
  /** A plan is being worked out beside the page. */
  isPlanning: boolean;
}

/** What the last planning of pins came to. */
export const usePinPlanView = create<PinPlanView>(() => ({ taken: null, isPlanning: false }));

/** Nets that a change has moved, by their flags. */
export function movedBetween(before: Design, after: Design): MovedNet[] {
  const flags = derive(after).netById;
  const now = Object.fromEntries(Object.entries(after.pinPlan).map(([id, { pin }]) => [id, pin]));
  return movedNets(before.pinPlan, now).flatMap(({ netId, from, to }) => {
    const flag = flags.get(netId)?.flag;
    return flag ? [{ flag, from, to }] : [];
  });
}

let stopWorker: (() => void) | null = null;

/** Ends a planning that runs; the pins stay as they are. */
export function stopPinPlanning(): void {
  stopWorker?.();
  stopWorker = null;
  usePinPlanView.setState({ isPlanning: false });
}

/** Plans a design's pins beside the page; never comes when it is stopped. */
async function planAside(design: Design, mode: PinPlanMode): Promise<PinPlanResult> {
  stopPinPlanning();
  const { startSearch } = await import("@/workers/planning");
  const { tasks, stop } = startSearch();
  stopWorker = stop;
  usePinPlanView.setState({ isPlanning: true });
  try {
    return await tasks.planPins(design, mode);
  } finally {
    stopPinPlanning();
  }
}

/**
 * Plans the pins of what a change makes of the design, and takes change and plan over as one edit. When the design was
 * edited meanwhile, it is planned again. Tells which nets moved, or null when nothing was done.
 */
async function planAndTake(title: string, mode: PinPlanMode, change: (design: Design) => Design) {
  let before = currentDesign();
  while (before) {
    const plan = await planAside(change(before), mode);
    const now = currentDesign();
    if (now === before) {
      edit(title, (design) => takePinPlan(change(design), plan));
      const design = currentDesign()!;
      const moved = movedBetween(before, design);
      usePinPlanView.setState({ taken: { plan, moved, design } });
      return moved;
    }
    before = now?.id === before.id ? now : null;
  }
  return null;
}

/** Plans the pins, takes the plan over, and keeps what it came to. */
export const planAndTakePins = (mode: PinPlanMode): Promise<MovedNet[] | null> =>
  planAndTake(mode === "afresh" ? "share out pins" : "fit in new nets", mode, (design) => design);

/**
 * Takes another controller class with the least changes: pins of the same name that can serve their nets stay, the
 * others are planned anew around them. A design without a pin plan only gets the controller.
 */
export async function takeController(profileId: string): Promise<MovedNet[] | null> {
  const change = (design: Design) => chooseController(design, profileId);
  const before = currentDesign();
  if (before && Object.keys(before.pinPlan).length > 0)
    return planAndTake("choose a controller", "fewest-moves", change);
  edit("choose a controller", change);
  return null;
}
