import { type Binding, phraseOf } from "../bindings";
import { derive } from "../derived/derive";
import { isUsualKnob, knobOf, knobWords } from "../document/knobs";
import type { Design, Layer } from "../document/schema";
import { bindingText } from "./bindingText";
import { compareShown } from "./compareShown";
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

/** What an input does: in a phrase, in one that leaves nothing out, and as it is but for names of layers and macros. */
interface Said {
  phrase: string;
  whole: string;
  bare: string;
}

const plainly = (phrase: string): Said => ({ phrase, whole: phrase, bare: "" });

/** Ids of layers are a design's own; what they are called is told by the phrase. A macro is what it does. */
const bareOf = ({ keymap: { macros = [] } }: Design, binding: Binding): string =>
  JSON.stringify(binding, (key, value: unknown) => {
    if (key === "layerId" || key === "id" || key === "name") return undefined;
    if (key === "macroId") return macros.find(({ id }) => id === value) ?? null;
    const isObject = typeof value === "object" && value !== null && !Array.isArray(value);
    return isObject ? Object.fromEntries(Object.entries(value).sort(([a], [b]) => (a < b ? -1 : 1))) : value;
  });

const differ = (a: Said, b: Said) => a.phrase !== b.phrase || a.bare !== b.bare;

/** Two things that the same phrase would tell are told in whole. */
const worded = (here: Said, there: Said) =>
  here.phrase === there.phrase ? { here: here.whole, there: there.whole } : { here: here.phrase, there: there.phrase };

/** What is told of the steps of knobs, by the inputs of their turning; nothing where it is as usual. */
const knobsByInput = (design: Design): Map<string, string> =>
  new Map(
    derive(design).inputs.flatMap(({ id, elementId, motion }): [string, string][] => {
      if (motion !== "clockwise" && motion !== "anticlockwise") return [];
      const knob = knobOf(design.keymap.knobs, elementId);
      return isUsualKnob(knob) ? [] : [[id, `; ${knobWords(knob)}`]];
    }),
  );

function phrases(design: Design, layer: Layer | undefined, isBase: boolean): (inputId: string) => Said {
  const context = phraseContextOf(design);
  const knobs = knobsByInput(design);
  const silent = plainly(isBase ? "nothing" : BENEATH);
  return (inputId) => {
    if (!layer || !Object.hasOwn(layer.bindings, inputId)) return silent;
    const binding = layer.bindings[inputId];
    if (binding.does === "nothing") return plainly("nothing");
    const steps = knobs.get(inputId) ?? "";
    const whole = `${bindingText(design.keymap, binding)}${steps}`;
    return { phrase: phraseOf(binding, context), whole, bare: `${bareOf(design, binding)}${steps}` };
  };
}

/** Two layers of one design, input by input; where a layer says nothing of its own, the base speaks. */
export function compareLayers(design: Design, hereId: string, thereId: string): KeymapDifference[] {
  const { layers } = design.keymap;
  const find = (id: string) => layers.find((layer) => layer.id === id);
  const beneath = phrases(design, layers[0], true);
  const [here, there] = [hereId, thereId].map((id) => {
    const own = phrases(design, find(id), false);
    return (inputId: string) => (own(inputId).phrase === BENEATH ? beneath(inputId) : own(inputId));
  });
  return derive(design).bindable.flatMap(({ id, label }): KeymapDifference[] =>
    differ(here(id), there(id))
      ? [{ inputId: id, label, layer: find(hereId)?.name ?? "", ...worded(here(id), there(id)) }]
      : [],
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
    const facing = layerThere(other, layer, nth);
    const saysThere = phrases(other, facing, nth === 0);
    const bound = bindable.flatMap(({ id, label }): KeymapDifference[] => {
      const theirs = there.get(id);
      const words = theirs === undefined ? plainly(NOT_THERE) : saysThere(theirs);
      const here = saysHere(id);
      const isSilent = theirs === undefined && !Object.hasOwn(layer.bindings, id);
      return isSilent || !differ(here, words)
        ? []
        : [{ inputId: id, label, layer: layer.name, ...worded(here, words) }];
    });
    return [...bound, ...compareShown(design, layer, other, facing)];
  });
  const met = new Set(there.values());
  const lost = other.keymap.layers.flatMap((layer, nth) => {
    const says = phrases(other, layer, nth === 0);
    return derive(other).bindable.flatMap(({ id, label }): KeymapDifference[] =>
      met.has(id) || !Object.hasOwn(layer.bindings, id)
        ? []
        : [{ inputId: null, label, layer: layer.name, here: NOT_THERE, there: says(id).phrase }],
    );
  });
  return [...own, ...lost];
}
