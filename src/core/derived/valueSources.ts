import type { Design } from "../document/schema";
import { BATTERY, BATTERY_LABEL, measuredPack } from "./batteryValue";
import { derive } from "./derive";

/** What of the device's own has a value that can be shown: what is turned or moved, and a battery that is measured. */
export function valueSources(design: Design): { id: string; label: string }[] {
  const own = [...derive(design).elements.values()].filter(({ kind }) => kind === "quadrature" || kind === "analog");
  return [...own, ...(measuredPack(design) ? [{ id: BATTERY, label: BATTERY_LABEL }] : [])];
}

/** Whether an element, or the battery, has a value. */
export function hasValue(design: Design, id: string): boolean {
  const kind = derive(design).elements.get(id)?.kind;
  return kind === "quadrature" || kind === "analog" || (id === BATTERY && measuredPack(design) !== null);
}

/** What such a thing is called, or undefined for what is gone. */
export const sourceLabel = (design: Design, id: string): string | undefined =>
  id === BATTERY && measuredPack(design) ? BATTERY_LABEL : derive(design).elements.get(id)?.label;
