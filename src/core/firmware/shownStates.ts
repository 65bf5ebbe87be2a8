import { LAMP } from "../contract/contract";
import { BATTERY } from "../derived/batteryValue";
import { derive } from "../derived/derive";
import { knobOf } from "../document/knobs";
import type { GlowRule } from "../document/glows";
import { type LampRule, toldNumber } from "../document/lampRule";
import type { Design } from "../document/schema";
import { encodingContextOf } from "../keymap/encodingContext";
import type { ScanTable } from "./scanTable";

const CODE = {
  never: LAMP.NEVER,
  always: LAMP.ALWAYS,
  layer: LAMP.LAYER,
  lock: LAMP.LOCK,
  next: LAMP.NEXT,
  held: LAMP.HELD,
  awake: LAMP.AWAKE,
  value: LAMP.VALUE,
  "own-key": LAMP.OWN,
  told: LAMP.TOLD,
} as const;
const LOCK_BIT = { num: 0, caps: 1, scroll: 2 } as const;

/** Of a knob its number, of an axis its number behind the knobs, behind those what the computer tells; -1 for what is gone. */
export function valueAt({ encoders, sensors }: ScanTable, elementId: string): number {
  const knob = encoders.findIndex((encoder) => encoder.elementId === elementId);
  const axis = sensors.indexOf(elementId);
  const told = toldNumber(elementId);
  if (told >= 0) return encoders.length + sensors.length + told;
  return knob < 0 && axis >= 0 ? encoders.length + axis : knob;
}

/** Where the value of an axis, and one that the computer tells, ends; a knob's top is set. */
const AXIS_TOP = 255;

/** Up to where the value of a knob or an axis goes. */
export const topOf = (design: Design, elementId: string): number =>
  toldNumber(elementId) >= 0 || elementId === BATTERY || derive(design).elements.get(elementId)?.kind === "analog"
    ? AXIS_TOP
    : knobOf(design.keymap.knobs, elementId).top;

/** Whether it follows a layer, an input or a knob that is gone: then it is never so. */
function isGone(scan: ScanTable, { keymap }: Design, rule: LampRule | GlowRule): boolean {
  if (rule.when === "layer") return !keymap.layers.some(({ id }) => id === rule.layerId);
  if (rule.when === "held") return !scan.inputs.includes(rule.inputId);
  return rule.when === "value" && valueAt(scan, rule.elementId) < 0;
}

function argumentOf(scan: ScanTable, design: Design, rule: LampRule | GlowRule): number {
  if (rule.when === "layer") return encodingContextOf(design).layerIndex(rule.layerId);
  if (rule.when === "held") return scan.inputs.indexOf(rule.inputId);
  if (rule.when === "value") return valueAt(scan, rule.elementId);
  if (rule.when === "told") return rule.flag;
  return rule.when === "lock" ? LOCK_BIT[rule.lock] : 0;
}

/** When a lamp or a glow is seen, as the firmware is told it: what it follows, of which, and from which value on. */
export function ruleBytes(scan: ScanTable, design: Design, rule: LampRule | GlowRule): [number, number, number] {
  if (isGone(scan, design, rule)) return [LAMP.NEVER, 0, 0];
  return [CODE[rule.when], argumentOf(scan, design, rule), rule.when === "value" ? rule.atLeast : 0];
}
