import { cells, leftAt } from "../electrics/cells";
import { dividerOf } from "../electrics/divider";
import type { AxisSettings, TrackUse } from "../document/axes";
import type { Design } from "../document/schema";
import type { Source } from "../document/supplySettings";
import { derive } from "./derive";

/** The net on which a battery is measured; its reading is a sensor's, and what is left is a value. */
export const BATTERY = "supply.battery";
export const BATTERY_LABEL = "Battery";

type Pack = Extract<Source, { kind: "battery" }>;

/** The pack that a pin measures, or null. */
export function measuredPack({ supply: { source, measured } }: Design): Pack | null {
  return source.kind === "battery" && measured !== null ? source : null;
}

/** Of the converter's range in percent: the pin's voltage where the pack is at its cut-off, and where it is full. */
export function batteryTrack(design: Design): TrackUse | null {
  const pack = measuredPack(design);
  const { profile } = derive(design);
  const { measured } = design.supply;
  if (!pack || !measured) return null;
  const { ratio } = dividerOf(measured.topOhm, measured.bottomOhm);
  const percent = (cellV: number) => Math.min(100, (100 * cellV * pack.series * ratio) / (profile?.logicV ?? 3.3));
  const lowest = percent(pack.cutOffV);
  return { lowest, rest: lowest, highest: percent(cells[pack.cell].fullV) };
}

/** What of the charge that can be used is left at a voltage of one cell, 0 to 1. */
export function usableLeft({ cell, cutOffV }: Pack, volts: number): number {
  const kept = leftAt(cells[cell], cutOffV);
  return kept >= 1 ? 0 : Math.max(0, (leftAt(cells[cell], volts) - kept) / (1 - kept));
}

const EIGHTHS = 8;
const percent = (part: number) => Math.round(1000 * part) / 10;

/**
 * How the battery's reading becomes what is left: between cut-off and full the cell's own curve (electrics/cells.ts), read slowly, as a
 * load makes it sag for a moment. Null where it is not measured.
 */
export function batteryAxis(design: Design): AxisSettings | null {
  const pack = measuredPack(design);
  const track = batteryTrack(design);
  if (!pack || !track) return null;
  const { fullV } = cells[pack.cell];
  const curve = Array.from({ length: EIGHTHS + 1 }, (_, eighth) => {
    const volts = pack.cutOffV + (eighth / EIGHTHS) * (fullV - pack.cutOffV);
    return { eighth, percent: percent(usableLeft(pack, volts)) };
  });
  return {
    ...{ sides: "one", lowest: track.lowest, centre: track.lowest, highest: track.highest, turned: false },
    ...{ smooth: 4, still: 0.05, dead: 0, deadAround: "axis", curve, keyOn: 60, keyOff: 45 },
  };
}
