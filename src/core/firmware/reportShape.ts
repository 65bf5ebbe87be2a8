import { padAxisOf } from "../axisUses";
import { jobsOf } from "../bindings";
import { derive } from "../derived/derive";
import { axisOf } from "../document/axes";
import { EVERY_KEY_BYTES } from "../contract/contract";
import type { Design } from "../document/schema";
import { type PadAxis, padAxes, usualPad } from "../hid/padShape";
import { type ReportShape, plainReports } from "../hid/reportShape";

const jobs = ({ keymap }: Design) =>
  keymap.layers.flatMap(({ bindings }) => Object.values(bindings).flatMap((binding) => jobsOf(binding)));

/** Elements that move each axis of the game pad, on any layer. */
export function padMovers({ keymap }: Design): Map<PadAxis, string[]> {
  const movers = new Map<PadAxis, string[]>();
  for (const { axes = {} } of keymap.layers)
    for (const [elementId, use] of Object.entries(axes)) {
      const axis = padAxisOf(use);
      if (axis) movers.set(axis, [...new Set([...(movers.get(axis) ?? []), elementId])]);
    }
  return movers;
}

/** Whether the axis of an element goes to both sides of where it rests. */
export function goesBothWays(design: Design, elementId: string): boolean {
  const { elements, controls } = derive(design);
  const element = elements.get(elementId);
  const control = element && controls.get(element.controlId);
  return control !== undefined && axisOf(design.keymap.axes, control, element!).sides === "both";
}

/**
 * What of the reports depends on the design. Of the game pad's what a person wants, and what is bound beyond it, or nothing; of the
 * keyboard's the bytes behind the boot layout.
 */
export function reportShapeOf(design: Design): ReportShape {
  const { interfaces, pad = usualPad, everyKey } = design.reportSet;
  const keyBytes = everyKey && interfaces.includes("keyboard") ? EVERY_KEY_BYTES : 0;
  if (!interfaces.includes("pad")) return { ...plainReports, buttons: 0, hat: false, keyBytes };
  const all = jobs(design);
  const highest = Math.max(0, ...all.map((job) => (job.does === "pad-button" ? job.button + 1 : 0)));
  const movers = padMovers(design);
  return {
    keyBytes,
    buttons: Math.max(pad.buttons, highest),
    hat: pad.hat || all.some((job) => job.does === "pad-hat"),
    axes: padAxes
      .filter((axis) => movers.has(axis))
      .map((axis) => ({ axis, bothSides: movers.get(axis)!.some((id) => goesBothWays(design, id)) })),
    axisBits: pad.axisBits,
  };
}
