import { axisUsePhrase } from "../axisUses";
import { phraseOf } from "../bindings";
import { derive } from "../derived/derive";
import { bad, good } from "../document/problem";
import type { Design } from "../document/schema";
import { phraseContextOf } from "../keymap/phraseContext";
import { pageWords } from "../keymap/pageWords";
import { segmentPhrase } from "../keymap/segmentWords";
import { stepWords } from "../keymap/stepWords";
import { languageList } from "../languages/languageList";
import { type Artifact, fileStem, utf8 } from "./artifact";

function layerLines(design: Design, nth: number): string[] {
  const { name, bindings, axes = {}, segments = {}, displays = {} } = design.keymap.layers[nth];
  const { controls, elements } = derive(design);
  const context = phraseContextOf(design);
  const said = derive(design).bindable.filter(({ id }) => Object.hasOwn(bindings, id));
  const lines = said.map(({ id, label }) => `${label}: ${phraseOf(bindings[id], context)}.`);
  const moved = Object.entries(axes).flatMap(([id, use]) =>
    elements.has(id) ? [`${elements.get(id)!.label}: ${axisUsePhrase(use)}.`] : [],
  );
  const shown = Object.entries(segments).flatMap(([id, show]) =>
    controls.has(id) ? [`${controls.get(id)!.label} ${segmentPhrase(design, show)}.`] : [],
  );
  const pages = Object.entries(displays).flatMap(([id, page]) =>
    controls.has(id) ? [`${controls.get(id)!.label} shows ${pageWords(design, page)}.`] : [],
  );
  lines.push(...moved, ...shown, ...pages);
  const head = nth === 0 ? `${name}, the base` : `${name}, layer ${nth + 1}`;
  return [head, ...(lines.length > 0 ? lines : ["Nothing of its own."]), ""];
}

function macroLines(design: Design): string[] {
  const context = phraseContextOf(design);
  return (design.keymap.macros ?? []).flatMap(({ name, plays, steps }) => [
    `${name}, ${plays.how === "times" ? `played ${plays.times} ${plays.times === 1 ? "time" : "times"}` : "played while its key is held"}`,
    ...steps.map((step, nth) => `${nth + 1}. ${stepWords(step, context)}`),
    "",
  ]);
}

/** The whole keymap, a line for each input. */
export const keymapLines = (design: Design): string[] => [
  `For a computer set to ${languageList[design.keymap.hostLanguage].title}.`,
  "",
  ...design.keymap.layers.flatMap((_, nth) => layerLines(design, nth)),
  ...macroLines(design),
];

export const keymapWords: Artifact = {
  id: "keymap-words",
  title: "Keymap in words",
  purpose: "What each input does, layer by layer, as plain lines to be read, or read aloud.",
  make: async (design) => {
    if (derive(design).bindable.length === 0) return bad({ path: "controls", message: "have nothing to bind yet" });
    const lines = [design.name, ...keymapLines(design)];
    return good({
      fileName: `${fileStem(design)}-keymap.txt`,
      mediaType: "text/plain",
      bytes: utf8(`${lines.join("\n").trimEnd()}\n`),
    });
  },
};
