import { type AxisUse, axisUseSchema } from "@/core/axisUses";
import { axisOf, axisSchema } from "@/core/document/axes";
import { derive } from "@/core/derived/derive";
import type { Design } from "@/core/document/schema";
import { type PadSettings, usualPad } from "@/core/hid/padShape";

/** "S x" is the axis x of the stick S, "P" the wiper of the pot P. */
export function elementOf(name: string): string {
  const [control, end = "wiper"] = name.split(" ");
  return `${control}:${end}`;
}

/** Of an axis nobody said anything of: its whole track, every reading as it is. */
const PLAIN = { smooth: 0, still: 0, dead: 0, deadAround: "axis" } as const;
const ENDS = { stick: { lowest: 5, centre: 50, highest: 95 }, pot: { lowest: 0, centre: 0, highest: 100 } };

/** "dead 10 each, smooth 1, turned, curve 4=25": what is left out is as in PLAIN. */
export function axisFrom(design: Design, name: string, what: string): Design {
  const id = elementOf(name);
  const { elements, controls } = derive(design);
  const element = elements.get(id)!;
  const control = controls.get(element.controlId)!;
  const told = what.split(",").map((part) => part.trim().split(" "));
  const fields = told.flatMap(([field, value, around]): [string, unknown][] => {
    if (field === "turned") return [["turned", true]];
    if (field === "plain") return [];
    if (field === "curve") {
      const points = value.split("/").map((point) => point.split("=").map(Number));
      return [["curve", points.map(([eighth, percent]) => ({ eighth, percent }))]];
    }
    if (field === "keys")
      return [
        ["keyOn", Number(value)],
        ["keyOff", Number(around)],
      ];
    return [
      [field, Number(value)],
      ...(field === "dead" ? [["deadAround", around === "both" ? "stick" : "axis"] as [string, unknown]] : []),
    ];
  });
  const axis = axisSchema.parse({
    ...axisOf(undefined, control, element),
    ...ENDS[control.kind as "stick" | "pot"],
    ...PLAIN,
    ...Object.fromEntries(fields),
  });
  return { ...design, keymap: { ...design.keymap, axes: { ...design.keymap.axes, [id]: axis } } };
}

/** "pad x", "place across", "pointer right 1000", "wheel up 100", "music fine 1 2" (controller 1 on channel 2), "music bend", "nothing". */
function readUse(text: string): AxisUse {
  const [does, along, speed] = text.trim().split(" ");
  if (does === "music") {
    const [, tells, controller = "0", channel = "1"] = text.trim().split(" ");
    return axisUseSchema.parse({ does, tells, controller: Number(controller), channel: Number(channel) - 1 });
  }
  if (does === "place") return axisUseSchema.parse({ does, along });
  if (does === "pad") return axisUseSchema.parse({ does, axis: along });
  return axisUseSchema.parse(does === "nothing" ? { does } : { does, along, speed: Number(speed) });
}

export function withUse(design: Design, layerId: string, name: string, what: string): Design {
  const layers = design.keymap.layers.map((layer) =>
    layer.id === layerId ? { ...layer, axes: { ...layer.axes, [elementOf(name)]: readUse(what) } } : layer,
  );
  return { ...design, keymap: { ...design.keymap, layers } };
}

/** "4 buttons, 8 bits": a game pad of so many. */
export function withPad(design: Design, what: string): Design {
  const [buttons, axisBits] = [/(\d+) buttons/, /(\d+) bits/].map((pattern) => pattern.exec(what)?.[1]);
  const pad: PadSettings = {
    ...usualPad,
    ...(buttons ? { buttons: Number(buttons) } : {}),
    ...(axisBits ? { axisBits: Number(axisBits) } : {}),
  };
  return { ...design, reportSet: { ...design.reportSet, pad } };
}
