import type { AxisUse } from "../axisUses";
import type { AxisSettings } from "../document/axes";
import type { Design } from "../document/schema";

/** How the voltage of an element is read; null for the usual way. */
export function setAxis(design: Design, elementId: string, axis: AxisSettings | null): Design {
  const { [elementId]: _, ...others } = design.keymap.axes ?? {};
  return { ...design, keymap: { ...design.keymap, axes: axis === null ? others : { ...others, [elementId]: axis } } };
}

/** What an axis does on a layer; null for what the layer beneath says. */
export function setAxisUse(design: Design, layerId: string, elementId: string, use: AxisUse | null): Design {
  const layers = design.keymap.layers.map((layer) => {
    if (layer.id !== layerId) return layer;
    const { [elementId]: _, ...others } = layer.axes ?? {};
    return { ...layer, axes: use === null ? others : { ...others, [elementId]: use } };
  });
  return { ...design, keymap: { ...design.keymap, layers } };
}
