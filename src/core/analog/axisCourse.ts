import { AXIS_MOST } from "../contract/axes";
import type { AxisSettings } from "../document/axes";
import { curveOf } from "../firmware/axes";

const WHOLE = 100;
const EIGHTH = WHOLE / 8;

/** What an axis by itself tells at a part of its way: its dead zone left out, then bent. Both in percent. */
export function toldPercent(axis: AxisSettings, wayPercent: number): number {
  if (wayPercent <= axis.dead && axis.dead > 0) return 0;
  const left = ((wayPercent - axis.dead) / (WHOLE - axis.dead)) * WHOLE;
  const curve = curveOf(axis);
  if (!curve) return left;
  const at = Math.min(curve.length - 2, Math.floor(left / EIGHTH));
  const part = (left - at * EIGHTH) / EIGHTH;
  return (WHOLE * (curve[at] + part * (curve[at + 1] - curve[at]))) / AXIS_MOST;
}

/** How long a jump takes until it is told but for a hundredth, in ms. */
export function settlesMs({ smooth }: AxisSettings, sensors: number): number {
  const readings = smooth === 0 ? 1 : Math.ceil(Math.log(0.01) / Math.log(1 - 1 / 2 ** smooth));
  return readings * Math.max(1, sensors) + 1;
}
