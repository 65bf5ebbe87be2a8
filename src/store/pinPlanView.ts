import type { Remote } from "comlink";
import { create } from "zustand";
import type { Design } from "@/core/document/schema";
import { derive } from "@/core/derived/derive";
import { halfOf, onHalf } from "@/core/derived/halves";
import { chooseController, moveController, adoptPinPlan } from "@/core/edits/pins";
import { movedNets } from "@/core/pins/leads";
import type { PinPlanMode, PinPlanResult } from "@/core/pins/planPins";
import type { ModuleTurn } from "@/core/edits/turnModule";
import type { PlanningTasks } from "@/workers/planningTasks";
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

/** Has something planned beside the page; never comes when it is stopped. */
async function aside<T>(ask: (tasks: Remote<PlanningTasks>) => Promise<T>): Promise<T> {
  stopPinPlanning();
  const { startSearch } = await import("@/workers/planning");
  const { tasks, stop } = startSearch();
  stopWorker = stop;
  usePinPlanView.setState({ isPlanning: true });
  try {
    return await ask(tasks);
  } finally {
    stopPinPlanning();
  }
}

/** What was planned for the design in hand; planned again when it was edited meanwhile, null when another one came. */
async function forDesignInHand<T>(ask: (tasks: Remote<PlanningTasks>, design: Design) => Promise<T>) {
  let before = currentDesign();
  while (before) {
    const asked: Design = before;
    const answer = await aside((tasks) => ask(tasks, asked));
    const now = currentDesign();
    if (now === asked) return { before: asked, answer };
    before = now?.id === asked.id ? now : null;
  }
  return null;
}

/** Plans the pins of what a change makes of the design, and takes both over as one edit. Tells which nets moved, or null. */
export async function planAndAdopt(
  title: string,
  mode: PinPlanMode,
  change: (design: Design) => Design,
): Promise<MovedNet[] | null> {
  const planned = await forDesignInHand((tasks, design) => tasks.planPins(change(design), mode));
  if (!planned) return null;
  const { before, answer: plan } = planned;
  edit(title, (design) => adoptPinPlan(change(design), plan));
  return adopted(before, plan);
}

function adopted(before: Design, plan: PinPlanResult): MovedNet[] {
  const design = currentDesign()!;
  const moved = movedBetween(before, design);
  usePinPlanView.setState({ taken: { plan, moved, design } });
  return moved;
}

/** Turns the module where fewer leads cross than now. Tells the best turn and whether it was taken; null when nothing came. */
export async function turnForFewerCrossings(
  now: number,
  controllerId: string | null = null,
): Promise<{ best: ModuleTurn; taken: boolean } | null> {
  const planned = await forDesignInHand((tasks, design) => tasks.moduleTurns(halfOf(design, controllerId)));
  const best = planned?.answer[0];
  if (!planned || !best) return null;
  if (best.crossings >= now) return { best, taken: false };
  const turn = (half: Design) => adoptPinPlan(moveController(half, { rotationDeg: best.rotationDeg }), best.plan);
  edit("turn the module", controllerId === null ? turn : onHalf(controllerId, turn));
  adopted(planned.before, best.plan);
  return { best, taken: true };
}

/** Plans the pins, takes the plan over, and keeps what it came to. */
export const planAndAdoptPins = (mode: PinPlanMode): Promise<MovedNet[] | null> =>
  planAndAdopt(mode === "afresh" ? "share out pins" : "fit in new nets", mode, (design) => design);

/**
 * Takes another controller class with the least changes: pins of the same name that can serve their nets stay, the
 * others are planned anew around them. A design without a pin plan only gets the controller.
 */
export async function changeControllerClass(
  profileId: string,
  controllerId: string | null = null,
): Promise<MovedNet[] | null> {
  const choose = (half: Design) => chooseController(half, profileId);
  const change = controllerId === null ? choose : onHalf(controllerId, choose);
  const before = currentDesign();
  if (before && Object.keys(before.pinPlan).length > 0)
    return planAndAdopt("choose a controller", "fewest-moves", change);
  edit("choose a controller", change);
  return null;
}
