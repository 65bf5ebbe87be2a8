import { type Binding, leadsOf } from "../bindings";
import { type KnobSettings, isUsualKnob } from "../document/knobs";
import type { Design, Layer } from "../document/schema";
import { type LampLook, steadyLook } from "../document/lampLooks";
import type { LampRule } from "../document/lampRule";
import { glowsWith } from "./glows";
import type { LanguageId } from "../languages/ids";

const withLayers = (design: Design, layers: Layer[]): Design => ({ ...design, keymap: { ...design.keymap, layers } });

/** Binds an input on a layer; null takes the binding away, so that the layer beneath speaks. */
export function bind(design: Design, layerId: string, inputId: string, binding: Binding | null): Design {
  return withLayers(
    design,
    design.keymap.layers.map((layer) => {
      if (layer.id !== layerId) return layer;
      const { [inputId]: _, ...rest } = layer.bindings;
      return { ...layer, bindings: binding ? { ...rest, [inputId]: binding } : rest };
    }),
  );
}

/** What two inputs do on a layer changes places; where only one is bound, the other takes it over. */
export function swapBindings(design: Design, layerId: string, one: string, other: string): Design {
  const layer = design.keymap.layers.find(({ id }) => id === layerId);
  if (!layer) return design;
  const of = (id: string) => (Object.hasOwn(layer.bindings, id) ? layer.bindings[id] : null);
  return bind(bind(design, layerId, one, of(other)), layerId, other, of(one));
}

export const addLayer = (design: Design, id: string, name: string): Design =>
  withLayers(design, [...design.keymap.layers, { id, name, bindings: {} }]);

export const renameLayer = (design: Design, id: string, name: string): Design =>
  withLayers(
    design,
    design.keymap.layers.map((layer) => (layer.id === id ? { ...layer, name } : layer)),
  );

/** Removes a layer and every binding, lamp and glow that led to it. The base layer stays. */
export function removeLayer(design: Design, id: string): Design {
  if (design.keymap.layers[0].id === id) return design;
  const layers = design.keymap.layers
    .filter((layer) => layer.id !== id)
    .map((layer) => ({
      ...layer,
      bindings: Object.fromEntries(
        Object.entries(layer.bindings).filter(([, binding]) => leadsOf(binding).every(({ layerId }) => layerId !== id)),
      ),
    }));
  const lamps = Object.fromEntries(
    Object.entries(design.keymap.lamps).filter(([, rule]) => !(rule.when === "layer" && rule.layerId === id)),
  );
  const macros = design.keymap.macros?.map((macro) => ({
    ...macro,
    steps: macro.steps.filter((step) => step.step !== "layer" || step.layerId !== id),
  }));
  const glows = design.keymap.glows && glowsWith(design.keymap.glows, () => true, id);
  const more = { ...(macros ? { macros } : {}), ...(glows ? { glows } : {}) };
  return { ...design, keymap: { ...design.keymap, layers, lamps, ...more } };
}

export const setLampRule = (design: Design, controlId: string, rule: LampRule): Design => ({
  ...design,
  keymap: { ...design.keymap, lamps: { ...design.keymap.lamps, [controlId]: rule } },
});

/** How a lamp is seen or a motor runs; steadily and whole it is not kept. */
export function setLampLook(design: Design, controlId: string, look: LampLook): Design {
  const { [controlId]: _, ...others } = design.keymap.looks ?? {};
  const isUsual = look.onMs === 0 && look.eighths === steadyLook.eighths;
  return { ...design, keymap: { ...design.keymap, looks: isUsual ? others : { ...others, [controlId]: look } } };
}

/** What is told of a knob's steps, by the element that is turned; as usual it is not kept. */
export function setKnob(design: Design, elementId: string, knob: KnobSettings): Design {
  const { [elementId]: _, ...others } = design.keymap.knobs ?? {};
  return {
    ...design,
    keymap: { ...design.keymap, knobs: isUsualKnob(knob) ? others : { ...others, [elementId]: knob } },
  };
}

/** The keyboard language that the computer is set to. */
export const setHostLanguage = (design: Design, hostLanguage: LanguageId): Design => ({
  ...design,
  keymap: { ...design.keymap, hostLanguage },
});
