import type { SegmentShow } from "../document/segmentShows";
import type { Design } from "../document/schema";

/** What a segment display shows on a layer; null for what the layer beneath says. */
export function setSegmentShow(design: Design, layerId: string, controlId: string, show: SegmentShow | null): Design {
  const layers = design.keymap.layers.map((layer) => {
    if (layer.id !== layerId) return layer;
    const { [controlId]: _, ...others } = layer.segments ?? {};
    return { ...layer, segments: show === null ? others : { ...others, [controlId]: show } };
  });
  return { ...design, keymap: { ...design.keymap, layers } };
}
