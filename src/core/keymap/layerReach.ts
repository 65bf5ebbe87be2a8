import type { Design, Layer } from "../design/schema";

/** Layer ids that the bindings of a layer lead to, with how. */
const exits = (layer: Layer) =>
  Object.entries(layer.bindings).flatMap(([inputId, binding]) =>
    binding.does === "hold-layer" || binding.does === "stay-layer"
      ? [{ inputId, does: binding.does, to: binding.layerId }]
      : [],
  );

/**
 * Layers that some chain of presses from the base reaches. On a layer, an input without a binding does what the
 * layer beneath says, so what the base leads to can be reached from everywhere unless it is overridden; following
 * each layer's own bindings from the base is enough.
 */
export function reachableLayers(design: Design): Set<string> {
  const { layers } = design.keymap;
  const byId = new Map(layers.map((layer) => [layer.id, layer]));
  const reached = new Set<string>([layers[0].id]);
  const open = [layers[0]];
  for (let layer = open.pop(); layer; layer = open.pop()) {
    for (const { to } of exits(layer)) {
      const next = byId.get(to);
      if (!next || reached.has(to)) continue;
      reached.add(to);
      open.push(next);
    }
  }
  return reached;
}

/**
 * Layers one can be left on for good: reached by a "stay" binding, and with every way to another layer overridden.
 * While at home on a layer, its own bindings speak first, then the base's where it has none.
 */
export function layersWithoutReturn(design: Design): { layerId: string; enteredBy: string[] }[] {
  const { layers } = design.keymap;
  const base = layers[0];
  const entered = new Map<string, string[]>();
  for (const layer of layers) {
    for (const exit of exits(layer)) {
      if (exit.does === "stay-layer" && exit.to !== base.id)
        entered.set(exit.to, [...(entered.get(exit.to) ?? []), exit.inputId]);
    }
  }
  return [...entered.entries()]
    .filter(([layerId]) => {
      const layer = layers.find((l) => l.id === layerId);
      if (!layer) return false;
      const merged: Layer = { ...layer, bindings: { ...base.bindings, ...layer.bindings } };
      return !exits(merged).some((exit) => exit.does === "stay-layer" && exit.to !== layerId);
    })
    .map(([layerId, enteredBy]) => ({ layerId, enteredBy }));
}
