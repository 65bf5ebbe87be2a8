import type { Source } from "../document/supplySettings";
import { cells } from "../electrics/cells";

/** What a source gives. */
export interface SourceLimits {
  title: string;
  /** Voltage at its own terminals: lowest, usual, highest. */
  leastV: number;
  usualV: number;
  mostV: number;
  /** Until the computer has configured the device, and afterwards, in mA. */
  beforeMa: number;
  afterMa: number;
  /** While the computer sleeps, in mA; null where nothing is asked. */
  asleepMa: number | null;
  /** Its inner resistance, in ohm, as far as voltage is told at its terminals. */
  ohm: number;
  from: string;
}

/** One unit load (USB 2.0, 7.2.1): what a device may take before it is configured. */
export const UNIT_LOAD_MA = 100;
/** Five of them: what a high-power device may take once it is configured. */
export const HIGH_POWER_MA = 500;
/** A suspended device (USB 2.0, 7.2.3, with the engineering change on suspend current). */
export const SUSPENDED_MA = 2.5;

/** Tolerance of an outside supply (common practice). */
const OUTSIDE_TOLERANCE = 0.05;
/** Hours in which a pack may be emptied at the quickest (common practice for small packs). */
const QUICKEST_H = 1;

const usb = { leastV: 4.75, usualV: 5, mostV: 5.25, ohm: 0 };

/** Limits of a source, with the standard that sets them. */
export function limitsOf(source: Source): SourceLimits {
  switch (source.kind) {
    case "usb-2":
      return {
        ...usb,
        title: "USB 2.0 port",
        beforeMa: UNIT_LOAD_MA,
        afterMa: HIGH_POWER_MA,
        asleepMa: SUSPENDED_MA,
        from: "USB 2.0, 7.2.1 to 7.2.3: 100 mA before the device is configured, 500 mA after, 2.5 mA suspended; 4.75 to 5.25 V at a powered port",
      };
    case "usb-c": {
      const isDefault = source.advertisedMa === HIGH_POWER_MA;
      return {
        ...usb,
        title: `USB-C port that advertises ${source.advertisedMa === 500 ? "its default" : `${source.advertisedMa / 1000} A`}`,
        mostV: 5.5,
        beforeMa: isDefault ? UNIT_LOAD_MA : source.advertisedMa,
        afterMa: source.advertisedMa,
        asleepMa: isDefault ? SUSPENDED_MA : null,
        from: "USB Type-C specification, 4.5: default USB current, 1.5 A or 3 A by the source's pull-up",
      };
    }
    case "outside":
      return {
        title: `outside supply, ${source.volts} V`,
        leastV: source.volts * (1 - OUTSIDE_TOLERANCE),
        usualV: source.volts,
        mostV: source.volts * (1 + OUTSIDE_TOLERANCE),
        beforeMa: source.limitMa,
        afterMa: source.limitMa,
        asleepMa: null,
        ohm: 0,
        from: "the supply's own rating; 5 % tolerance as common practice",
      };
    case "battery": {
      const cell = cells[source.cell];
      const mostMa = source.capacityMah / QUICKEST_H;
      return {
        title: `${source.series} ${cell.title}${source.series === 1 ? "" : "s"}`,
        leastV: source.series * Math.max(cell.emptyV, source.cutOffV),
        usualV: source.series * cell.usualV,
        mostV: source.series * cell.fullV,
        beforeMa: mostMa,
        afterMa: mostMa,
        asleepMa: null,
        ohm: source.series * cell.ohm,
        from: "typical of the chemistry, emptied within an hour at the quickest (common practice)",
      };
    }
  }
}
