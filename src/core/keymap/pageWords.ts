import { phraseOf } from "../bindings";
import { derive } from "../derived/derive";
import type { DisplayPage, PageThing } from "../document/displayPages";
import type { Design, Layer } from "../document/schema";
import { listed } from "../words";
import { valueLabel } from "./segmentWords";
import { phraseContextOf } from "./phraseContext";

type Deed = Extract<PageThing, { shows: "deed" }>;

/** What a display says of an input on the layer that it is read from: one's own words, or what is bound; nothing where nothing is. */
export function deedWords(design: Design, { inputId, words = {} }: Deed, layer: Layer): string {
  if (Object.hasOwn(words, layer.id)) return words[layer.id];
  return Object.hasOwn(layer.bindings, inputId) ? phraseOf(layer.bindings[inputId], phraseContextOf(design)) : "";
}

/** "the name of the layer", "what Park does", "the value of Focus, 0 to 24". */
export function pageThingWords(design: Design, thing: PageThing): string {
  const { inputs } = derive(design);
  const number = (value: number, point: number) => (value / 10 ** point).toFixed(point);
  switch (thing.shows) {
    case "text":
      return `“${thing.text}”`;
    case "layer":
      return "the name of the layer";
    case "deed":
      return `what ${inputs.find(({ id }) => id === thing.inputId)?.label ?? "something that is gone"} does`;
    case "value":
      return `the value of ${valueLabel(design, thing.elementId)}, ${number(thing.low, thing.point)} to ${number(thing.high, thing.point)}`;
    case "bar":
      return `a bar of ${valueLabel(design, thing.elementId)}`;
    case "picture":
      return `a picture of ${thing.columns} × ${8 * thing.rows} dots`;
  }
}

/** All that is on a page: "“Focus” and a bar of Focus", or "nothing". */
export const pageWords = (design: Design, page: DisplayPage): string =>
  page.length === 0 ? "nothing" : listed(page.map((thing) => pageThingWords(design, thing)));
