import { removeLayer } from "../../edits/keymap";
import { reachableLayers } from "../../keymap/layerReach";
import type { Rule } from "../finding";

export const unreachableLayer: Rule = {
  id: "keymap/unreachable-layer",
  stage: "keymap",
  severity: "warn",
  why: "What stands on a layer that no key leads to can never be used.",
  source: "follows from the keymap",
  check(design) {
    const reached = reachableLayers(design);
    return design.keymap.layers
      .filter((layer) => !reached.has(layer.id))
      .map((layer) => ({
        message: `No key leads to ${layer.name}: bind one to "hold for ${layer.name}" or "stay on ${layer.name}".`,
        subjects: [{ kind: "layer" as const, id: layer.id }],
        fixes: [{ title: `Remove ${layer.name}`, apply: (d) => removeLayer(d, layer.id) }],
      }));
  },
};
