import type { Binding } from "../bindings";
import { reportsOf } from "../bindings";
import type { ControlInput } from "../catalogue/kinds/controlKind";
import { derive } from "../derived/derive";
import type { Design } from "../document/schema";
import { readingRows } from "../geometry/readingOrder";
import { openInputs } from "../keymap/openInputs";
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
  const open = openInputs(design);
  const found = new Map<string, Binding>();
  const turns = open.filter(({ motion }) => motion === "clockwise" || motion === "anticlockwise");
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

/** Ways to begin, beside that by label and place: each binds what it can and leaves the rest open. */
export const startingWays = ["labels", "letters", "function-keys", "number-pad", "media"] as const;
export type StartingWay = (typeof startingWays)[number];

/** The number pad from its upper left on, row by row. */
const NUMBER_PAD = [0x5f, 0x60, 0x61, 0x5c, 0x5d, 0x5e, 0x59, 0x5a, 0x5b, 0x62, 0x63, 0x58, 0x57, 0x56, 0x55, 0x54];
/** Letters, then digits from 1 to 0. */
const IN_ORDER: Record<"letters" | "function-keys" | "number-pad", number[]> = {
  letters: LETTERS_AND_DIGITS,
  "function-keys": UNUSED,
  "number-pad": NUMBER_PAD,
};

/** For knobs, one after another: volume, tracks, brightness of the display, fast winding; for a push what is near. */
const MEDIA: { turn: [clockwise: number, anticlockwise: number]; push: number }[] = [
  { turn: [0xe9, 0xea], push: 0xe2 },
  { turn: [0xb5, 0xb6], push: 0xcd },
  { turn: [0x6f, 0x70], push: 0xb7 },
  { turn: [0xb3, 0xb4], push: 0xb0 },
];

function mediaBindings(open: ControlInput[]): Map<string, Binding> {
  const knobs = [...new Set(open.flatMap(({ motion, controlId }) => (motion === "press" ? [] : [controlId])))];
  const found = new Map<string, Binding>();
  for (const { id, controlId, motion } of open) {
    const media = MEDIA[knobs.indexOf(controlId)];
    if (!media) continue;
    found.set(id, consumer(motion === "press" ? media.push : media.turn[motion === "clockwise" ? 0 : 1]));
  }
  return found;
}

/** What a way binds of that which no layer has a binding for; never over what is bound, and no key twice. */
export function startingBindings(design: Design, way: StartingWay): Map<string, Binding> {
  const open = openInputs(design);
  if (way === "media") return mediaBindings(open);
  const presses = inOrder(
    open.filter(({ motion }) => motion === "press"),
    design,
  );
  if (way === "labels")
    return new Map(
      presses.flatMap((input): [string, Binding][] => {
        const binding = meant(input, design);
        return binding ? [[input.id, binding]] : [];
      }),
    );
  const used = new Set(
    Object.values<Binding>(design.keymap.layers[0].bindings).flatMap((b) => (b.does === "keyboard" ? [b.usage] : [])),
  );
  const pool = IN_ORDER[way].filter((usage) => !used.has(usage));
  return new Map(presses.slice(0, pool.length).map(({ id }, nth) => [id, key(pool[nth])]));
}

/** Binds on the base what a way finds, and declares the reports that it needs. */
export const startKeymap = (design: Design, way: StartingWay): Design =>
  withFirst(design, startingBindings(design, way));

/** Gives every input that does nothing yet a binding on the base, and declares the reports that they need. */
export function fillKeymap(design: Design): Design {
  return withFirst(design, firstBindings(design) ?? new Map());
}

function withFirst(design: Design, found: Map<string, Binding>): Design {
  if (found.size === 0) return design;
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
