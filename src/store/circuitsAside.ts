import type { AnalogView } from "@/core/analog/analogView";
import type { LevelsView } from "@/core/levels/levelsView";
import type { SupplyView } from "@/core/power/supplyView";
import type { TimingView } from "@/core/timing/timingView";
import { checking } from "@/workers/checking";
import { asideOf } from "./aside";

/** Currents, times and voltages that are read, of the design in hand. */
export const useSupplyView = asideOf<SupplyView>((design) => checking().supply(design));
export const useLevelsView = asideOf<LevelsView>((design) => checking().levels(design));
export const useTimingView = asideOf<TimingView>((design) => checking().timing(design));
export const useAnalogView = asideOf<AnalogView>((design) => checking().analog(design));
export const useCircuitDrawing = asideOf<{ title: string; svg: string }[]>(async (design) =>
  (await import("@/workers/exporting")).drawingAside(design),
);
