import type { Binding } from "../bindings";
import { reportsOf } from "../bindings";
import type { ControlInput } from "../catalogue/kinds/controlKind";
import { derive } from "../derived/derive";
import type { Design } from "../document/schema";
import { readingRows } from "../geometry/readingOrder";
import { usageOfLabel } from "../hid/usageOfLabel";

export const FILL_TITLE = "Give them a first keymap, by label and by place";

const key = (usage: number): Binding => ({ does: "keyboard", usage, modifiers: 0 });
const consumer = (usage: number): Binding => ({ does: "consumer", usage });

const range = (from: number, to: number) => Array.from({ length: to - from + 1 }, (_, nth) => from + nth);
/** F13 to F24: keys that hardly any program uses yet, so that each can be given a meaning (common practice for pads). */
const UNUSED = range(0x68, 0x73);
const LETTERS_AND_DIGITS = range(0x04, 0x27);
const REST = [...range(0x3a, 0x45), ...range(0x59, 0x62)];

/** What knobs do by their order, clockwise and anticlockwise: volume, then the cursor, then pages. */
const KNOBS: [clockwise: Binding, anticlockwise: Binding][] = [
  [consumer(0xe9), consumer(0xea)],
  [key(0x51), key(0x52)],
  [key(0x4f), key(0x50)],
  [key(0x4e), key(0x4b)],
];

/** Directions of a five-way; its push is Enter. */
const WAYS: Record<string, number> = { up: 0x52, down: 0x51, left: 0x50, right: 0x4f, push: 0x28 };

function meant(input: ControlInput, design: Design): Binding | null {
  const control = derive(design).controls.get(input.controlId);
  if (control?.kind === "five-way") return key(WAYS[input.label.slice(control.label.length + 1)] ?? WAYS.push);
  const usage = usageOfLabel(input.label);
  if (!usage) return null;
  return usage.page === "keyboard" ? key(usage.usage) : consumer(usage.usage);
}

/** Presses in reading order of their controls. */
function inOrder(presses: ControlInput[], design: Design): ControlInput[] {
  const { controls } = derive(design);
  const places = presses.map(({ id, controlId }) => ({ id, at: controls.get(controlId)!.placement }));
  const byId = new Map(presses.map((input) => [input.id, input]));
  return readingRows(places, design.pitch.yMm / 2)
    .flat()
    .map(({ id }) => byId.get(id)!);
}

/**
 * Bindings for inputs that no layer has one for, on the base: what labels name; volume and cursor for knobs; then, for
 * up to twelve others, F13 to F24, and for more letters and digits in reading order. Null when there are more inputs
 * than keys.
 */
export function firstBindings(design: Design): Map<string, Binding> | null {
  const bound = new Set(design.keymap.layers.flatMap((layer) => Object.keys(layer.bindings)));
  const open = derive(design).inputs.filter(({ id }) => !bound.has(id));
  const found = new Map<string, Binding>();
  const turns = open.filter(({ motion }) => motion !== "press");
  const knobs = [...new Set(turns.map(({ elementId }) => elementId))];
  if (knobs.length > KNOBS.length) return null;
  for (const { id, elementId, motion } of turns)
    found.set(id, KNOBS[knobs.indexOf(elementId)][motion === "clockwise" ? 0 : 1]);
  const presses = inOrder(
    open.filter(({ motion }) => motion === "press"),
    design,
  );
  for (const input of presses) {
    const binding = meant(input, design);
    if (binding) found.set(input.id, binding);
  }
  const rest = presses.filter(({ id }) => !found.has(id));
  const used = new Set([...found.values()].flatMap((b) => (b.does === "keyboard" ? [b.usage] : [])));
  const pool = (rest.length <= UNUSED.length ? UNUSED : [...LETTERS_AND_DIGITS, ...UNUSED, ...REST]).filter(
    (usage) => !used.has(usage),
  );
  if (rest.length > pool.length) return null;
  rest.forEach(({ id }, nth) => found.set(id, key(pool[nth])));
  return found;
}

/** Gives every input that does nothing yet a binding on the base, and declares the reports that they need. */
export function fillKeymap(design: Design): Design {
  const found = firstBindings(design);
  if (!found || found.size === 0) return design;
  const [base, ...others] = design.keymap.layers;
  const bindings = { ...base.bindings, ...Object.fromEntries(found) };
  const needed = [...found.values()].flatMap(reportsOf);
  const interfaces = [...new Set([...design.reportSet.interfaces, ...needed])];
  return {
    ...design,
    keymap: { ...design.keymap, layers: [{ ...base, bindings }, ...others] },
    reportSet: { ...design.reportSet, interfaces },
  };
}
