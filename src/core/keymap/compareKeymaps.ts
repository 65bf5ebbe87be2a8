import { phraseOf } from "../bindings";
import { derive } from "../derived/derive";
import type { Design, Layer } from "../document/schema";
import { phraseContextOf } from "./phraseContext";

/** An input that does one thing here and another there, in words. */
export interface KeymapDifference {
  /** Of this design; null when it has no such input. */
  inputId: string | null;
  label: string;
  layer: string;
  here: string;
  there: string;
}

const BENEATH = "as beneath";
const NOT_THERE = "no such input";

function phrases(design: Design, layer: Layer | undefined, isBase: boolean): (inputId: string) => string {
  const context = phraseContextOf(design);
  const silent = isBase ? "nothing" : BENEATH;
  return (inputId) =>
    layer && Object.hasOwn(layer.bindings, inputId) ? phraseOf(layer.bindings[inputId], context) : silent;
}

/** Two layers of one design, input by input; where a layer says nothing of its own, the base speaks. */
export function compareLayers(design: Design, hereId: string, thereId: string): KeymapDifference[] {
  const { layers } = design.keymap;
  const find = (id: string) => layers.find((layer) => layer.id === id);
  const beneath = phrases(design, layers[0], true);
  const [here, there] = [hereId, thereId].map((id) => {
    const own = phrases(design, find(id), false);
    return (inputId: string) => (own(inputId) === BENEATH ? beneath(inputId) : own(inputId));
  });
  return derive(design).bindable.flatMap(({ id, label }): KeymapDifference[] =>
    here(id) === there(id)
      ? []
      : [{ inputId: id, label, layer: find(hereId)?.name ?? "", here: here(id), there: there(id) }],
  );
}

/** Inputs of another design by those of this one: the same id, else the only one of the same label. */
function counterparts(design: Design, other: Design): Map<string, string> {
  const theirs = derive(other).bindable;
  const ids = new Set(theirs.map(({ id }) => id));
  const byLabel = new Map<string, string[]>();
  for (const { id, label } of theirs) byLabel.set(label, [...(byLabel.get(label) ?? []), id]);
  return new Map(
    derive(design).bindable.flatMap(({ id, label }): [string, string][] => {
      if (ids.has(id)) return [[id, id]];
      const same = byLabel.get(label) ?? [];
      return same.length === 1 ? [[id, same[0]]] : [];
    }),
  );
}

/** The layer of another design that stands for one: the same id, else the same place in the stack. */
const layerThere = (other: Design, { id }: Layer, nth: number) =>
  other.keymap.layers.find((layer) => layer.id === id) ?? other.keymap.layers[nth];

/** A design's keymap against another one's, layer by layer; what only the other has comes last. */
export function compareDesigns(design: Design, other: Design): KeymapDifference[] {
  const there = counterparts(design, other);
  const { bindable } = derive(design);
  const own = design.keymap.layers.flatMap((layer, nth) => {
    const saysHere = phrases(design, layer, nth === 0);
    const saysThere = phrases(other, layerThere(other, layer, nth), nth === 0);
    return bindable.flatMap(({ id, label }): KeymapDifference[] => {
      const theirs = there.get(id);
      const words = theirs === undefined ? NOT_THERE : saysThere(theirs);
      const here = saysHere(id);
      const isSilent = theirs === undefined && !Object.hasOwn(layer.bindings, id);
      return here === words || isSilent ? [] : [{ inputId: id, label, layer: layer.name, here, there: words }];
    });
  });
  const met = new Set(there.values());
  const lost = other.keymap.layers.flatMap((layer, nth) => {
    const says = phrases(other, layer, nth === 0);
    return derive(other).bindable.flatMap(({ id, label }): KeymapDifference[] =>
      met.has(id) || !Object.hasOwn(layer.bindings, id)
        ? []
        : [{ inputId: null, label, layer: layer.name, here: NOT_THERE, there: says(id) }],
    );
  });
  return [...own, ...lost];
}
