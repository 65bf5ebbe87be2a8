import { jobsOf, phraseOf } from "@/core/bindings";
import { type Control, kindOf } from "@/core/catalogue/kinds";
import type { Design, Layer } from "@/core/document/schema";
import { phraseContextOf } from "@/core/keymap/phraseContext";
import type { CapWords } from "./capWords";

/** What the other layers put on an input; the base shines through in brackets already. */
function otherLegends(design: Design, inputId: string, layer: Layer): string {
  const context = phraseContextOf(design);
  return design.keymap.layers
    .filter((other, nth) => other.id !== layer.id && nth > 0)
    .map((other) => other.bindings[inputId])
    .map((binding) => (binding ? phraseOf(binding, context) : ""))
    .slice(0, 2)
    .join("\n");
}

/** A cap of one unit has room for five or six letters a line: there names are written as keyboards write them. */
const ON_CAPS: [RegExp, string][] = [
  [/\bControl\b/, "Ctrl"],
  [/\bEscape\b/, "Esc"],
  [/\bBackspace\b/, "Back"],
  [/\bDelete\b/, "Del"],
  [/ for the next key$/, " next"],
  [/^hold for /, "hold "],
  [/ every \d+ ms$/, ""],
  [/^pointer to (\S+) % across, (\S+) % down$/, "to $1, $2 %"],
  [/^pointer /, "move "],
  [/^(\w+) button$/, "$1 click"],
  [/^keep the computer awake/, "stay awake"],
  [/^note (\S+?)(,.*| on channel .*)?$/, "$1"],
  [/^controller \d+ \((.*?)\).*$/, "$1"],
];
const onCap = (phrase: string) => ON_CAPS.reduce((words, [long, short]) => words.replace(long, short), phrase);

/** What an input says on a layer; the base shines through in brackets. */
export function legendWords(design: Design, control: Control, layer: Layer): CapWords {
  const context = phraseContextOf(design);
  const inputs = kindOf(control).inputs(control);
  const press = inputs.find((input) => input.motion === "press");
  const own = press && layer.bindings[press.id];
  const below = press && design.keymap.layers[0].bindings[press.id];
  const label = control.label;
  if (!press || control.kind === "encoder") return { words: label, small: own ? phraseOf(own, context) : "" };
  const corners = otherLegends(design, press.id, layer);
  if (own) {
    const [words, later] = jobsOf(own).map((job) => onCap(phraseOf(job, context)));
    return { words, small: later ?? (label === words ? "" : label), corners };
  }
  return { words: below ? `(${phraseOf(below, context)})` : "–", small: label, corners };
}
