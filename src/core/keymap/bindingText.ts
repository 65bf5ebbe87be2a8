import type { Binding, SimpleBinding } from "../bindings";
import { type HoldSchool, holdSchools } from "../bindings/twoJobs";
import { bindingSchema } from "../bindings";
import type { Design } from "../document/schema";
import { consumerUsageNamed, consumerUsages } from "../hid/consumerUsages";
import { noteName, noteNamed } from "../hid/musicWords";
import { POINTER_BUTTONS } from "../hid/pointerWords";
import { SYSTEM_USAGES, systemDeeds } from "../hid/systemUsages";
import { keyboardUsageNamed, keyboardUsages, modifierNames } from "../hid/keyboardUsages";

// Bindings as plain phrases that lose nothing, for files that people and programs read: "Left Control + S",
// "hold for layer 2 (Signs)", "Escape when tapped; Left Control when held (another key tapped, 180 ms, typing within 80 ms)".

const SCHOOL_WORDS: Record<HoldSchool, string> = {
  time: "time alone",
  press: "another key pressed",
  tap: "another key tapped",
};

/** A name beside a number is there for people; signs that phrases are told apart by are left out of it. */
const aside = (name: string) => name.replace(/[^\p{L}\p{N} -]/gu, "").trim();

type Keymap = Design["keymap"];

function layerText({ layers }: Keymap, layerId: string): string {
  const at = layers.findIndex(({ id }) => id === layerId);
  return `layer ${at + 1} (${aside(layers[at]?.name ?? "")})`;
}

const keyText = (usage: number, modifiers: number) =>
  [...modifierNames(modifiers), keyboardUsageNamed(usage)].join(" + ");

function macroText({ macros = [] }: Keymap, macroId: string): string {
  const at = macros.findIndex(({ id }) => id === macroId);
  return `play macro ${at + 1} (${aside(macros[at]?.name ?? "")})`;
}

type Of<Does extends SimpleBinding["does"]> = Extract<SimpleBinding, { does: Does }>;

/** A phrase for each sort of binding that does one thing. */
const TEXTS: { [Does in SimpleBinding["does"]]: (binding: Of<Does>, keymap: Keymap) => string } = {
  keyboard: ({ usage, modifiers }) => keyText(usage, modifiers),
  consumer: ({ usage }) => `${consumerUsageNamed(usage)} (media)`,
  "hold-layer": ({ layerId }, keymap) => `hold for ${layerText(keymap, layerId)}`,
  "stay-layer": ({ layerId }, keymap) => `stay on ${layerText(keymap, layerId)}`,
  "switch-layer": ({ layerId }, keymap) => `switch ${layerText(keymap, layerId)}`,
  "next-layer": ({ layerId }, keymap) => `${layerText(keymap, layerId)} for the next key`,
  "next-modifiers": ({ modifiers }) => `${modifierNames(modifiers).join(" + ")} for the next key`,
  macro: ({ macroId }, keymap) => macroText(keymap, macroId),
  repeat: ({ usage, modifiers, afterMs, everyMs }) =>
    `${keyText(usage, modifiers)} again after ${afterMs} ms, every ${everyMs} ms`,
  "pointer-button": ({ button }) => `${POINTER_BUTTONS[button]} button`,
  "pointer-move": ({ direction, speed, rampMs }) => `pointer ${direction} at ${speed} a second, after ${rampMs} ms`,
  "pointer-place": ({ across, down }) => `pointer to ${across / 10} % across, ${down / 10} % down`,
  "pointer-wheel": ({ direction, everyMs }) => `wheel ${direction}${everyMs > 0 ? ` every ${everyMs} ms` : ""}`,
  awake: ({ lasting, everyS }) => `keep the computer awake ${lasting}, every ${everyS} s`,
  system: ({ deed }) => SYSTEM_USAGES[deed].name,
  "pad-button": ({ button }) => `game pad button ${button + 1}`,
  "pad-hat": ({ side }) => `game pad hat ${side}`,
  note: ({ note, velocity, channel }) => `note ${noteName(note)} velocity ${velocity} channel ${channel + 1}`,
  controller: ({ controller, value, channel }) => `controller ${controller} value ${value} channel ${channel + 1}`,
  program: ({ program, channel }) => `program ${program + 1} channel ${channel + 1}`,
  nothing: () => "nothing",
};

const simpleText = (keymap: Keymap, binding: SimpleBinding): string =>
  (TEXTS[binding.does] as (one: SimpleBinding, all: Keymap) => string)(binding, keymap);

/** A binding as a phrase that `readBindingText` reads back. */
export function bindingText(keymap: Keymap, binding: Binding): string {
  if (binding.does === "two-jobs") {
    const { tap, hold, school, deadlineMs, quickMs } = binding;
    const how = `${SCHOOL_WORDS[school]}, ${deadlineMs} ms, typing within ${quickMs} ms`;
    return `${simpleText(keymap, tap)} when tapped; ${simpleText(keymap, hold)} when held (${how})`;
  }
  if (binding.does === "second-tap")
    return `${simpleText(keymap, binding.once)} once; ${simpleText(keymap, binding.twice)} twice (within ${binding.withinMs} ms)`;
  return simpleText(keymap, binding);
}

const keysByName = new Map(keyboardUsages.map(({ usage }) => [keyboardUsageNamed(usage).toLowerCase(), usage]));
for (const { usage, code } of keyboardUsages)
  if (!keysByName.has(code.toLowerCase())) keysByName.set(code.toLowerCase(), usage);
const mediaByName = new Map(consumerUsages.map(({ usage, name }) => [name.toLowerCase(), usage]));
const modifierBits = new Map(
  Array.from({ length: 8 }, (_, bit) => [modifierNames(1 << bit)[0].toLowerCase(), 1 << bit]),
);

const numbered = (name: string) => {
  const hex = /^(?:consumer )?usage 0x([0-9a-f]+)$/.exec(name);
  return hex ? parseInt(hex[1], 16) : undefined;
};

/** "Left Control + Left Shift", as bits; null where a word is none. */
function readModifiers(words: string[]): number | null {
  const bits = words.map((word) => modifierBits.get(word.trim().toLowerCase()));
  return bits.every((bit) => bit !== undefined) ? bits.reduce<number>((all, bit) => all | bit!, 0) : null;
}

function readKey(text: string): { usage: number; modifiers: number } | null {
  const parts = text.split(" + ");
  const name = parts.pop()!.trim().toLowerCase();
  const usage = keysByName.get(name) ?? numbered(name);
  const modifiers = readModifiers(parts);
  return usage === undefined || modifiers === null ? null : { usage, modifiers };
}

function readLayer({ layers }: Keymap, text: string): string | null {
  const number = /^layer (\d+)(?: \(.*\))?$/i.exec(text)?.[1];
  return number === undefined ? null : (layers[Number(number) - 1]?.id ?? null);
}

const LEADS = [
  [/^hold for (.*)$/i, "hold-layer"],
  [/^stay on (.*)$/i, "stay-layer"],
  [/^switch (.*)$/i, "switch-layer"],
] as const;

function readNext(keymap: Keymap, text: string): SimpleBinding | null {
  const layerId = readLayer(keymap, text);
  if (layerId) return { does: "next-layer", layerId };
  const modifiers = readModifiers(text.split(" + "));
  return modifiers === null ? null : { does: "next-modifiers", modifiers };
}

function readLead(keymap: Keymap, text: string): SimpleBinding | null {
  for (const [pattern, does] of LEADS) {
    const layerId = readLayer(keymap, pattern.exec(text)?.[1] ?? "");
    if (layerId) return { does, layerId };
  }
  const next = /^(.*) for the next key$/i.exec(text);
  return next ? readNext(keymap, next[1]) : null;
}

function readMedia(text: string): SimpleBinding | null {
  const name = /^(.*) \(media\)$/i.exec(text)?.[1].toLowerCase();
  const usage = name === undefined ? undefined : (mediaByName.get(name) ?? numbered(name));
  return usage === undefined ? null : { does: "consumer", usage };
}

/** What the phrases of the pointer and the system mean: what is out of bounds is refused by the schema. */
const POINTING: [RegExp, (found: string[]) => object][] = [
  [/^(\w+) button$/i, ([name]) => ({ does: "pointer-button", button: buttonNames.indexOf(name) })],
  [
    /^pointer (\w+) at (\d+) a second, after (\d+) ms$/i,
    ([direction, speed, ramp]) => ({ does: "pointer-move", direction, speed: Number(speed), rampMs: Number(ramp) }),
  ],
  [
    /^pointer to (\d+(?:\.\d)?) % across, (\d+(?:\.\d)?) % down$/i,
    ([across, down]) => ({
      does: "pointer-place",
      across: Math.round(10 * Number(across)),
      down: Math.round(10 * Number(down)),
    }),
  ],
  [
    /^wheel (\w+)(?: every (\d+) ms)?$/i,
    ([direction, every]) => ({ does: "pointer-wheel", direction, everyMs: Number(every ?? 0) }),
  ],
  [
    /^keep the computer awake (\w+), every (\d+) s$/i,
    ([lasting, every]) => ({ does: "awake", lasting, everyS: Number(every) }),
  ],
  [/^game pad button (\d+)$/i, ([number]) => ({ does: "pad-button", button: Number(number) - 1 })],
  [/^game pad hat (\w+)$/i, ([side]) => ({ does: "pad-hat", side })],
  [
    /^note (\S+) velocity (\d+) channel (\d+)$/i,
    ([name, velocity, channel]) => ({
      does: "note",
      note: noteNamed(name),
      velocity: Number(velocity),
      channel: Number(channel) - 1,
    }),
  ],
  [
    /^controller (\d+) value (\d+) channel (\d+)$/i,
    ([number, value, channel]) => ({
      does: "controller",
      controller: Number(number),
      value: Number(value),
      channel: Number(channel) - 1,
    }),
  ],
  [
    /^program (\d+) channel (\d+)$/i,
    ([number, channel]) => ({ does: "program", program: Number(number) - 1, channel: Number(channel) - 1 }),
  ],
];
const buttonNames: string[] = [...POINTER_BUTTONS];

function readPointing(text: string): SimpleBinding | null {
  const deed = systemDeeds.find((one) => SYSTEM_USAGES[one].name.toLowerCase() === text.toLowerCase());
  if (deed) return { does: "system", deed };
  for (const [pattern, meaning] of POINTING) {
    const found = pattern.exec(text);
    if (found) return meaning(found.slice(1).map((part) => part?.toLowerCase())) as SimpleBinding;
  }
  return null;
}

function readSimple(keymap: Keymap, text: string): SimpleBinding | null {
  if (/^nothing$/i.test(text)) return { does: "nothing" };
  const pointing = readPointing(text);
  if (pointing) return pointing;
  const macro = /^play macro (\d+)(?: \(.*\))?$/i.exec(text);
  if (macro) {
    const id = keymap.macros?.[Number(macro[1]) - 1]?.id;
    return id === undefined ? null : { does: "macro", macroId: id };
  }
  const again = /^(.*) again after (\d+) ms, every (\d+) ms$/i.exec(text);
  if (again) {
    const key = readKey(again[1]);
    return key ? { does: "repeat", ...key, afterMs: Number(again[2]), everyMs: Number(again[3]) } : null;
  }
  const key = readKey(text);
  return key ? { does: "keyboard", ...key } : (readMedia(text) ?? readLead(keymap, text));
}

function readJobs(keymap: Keymap, text: string): Binding | null {
  const jobs = /^(.*) when tapped; (.*) when held \((.*), (\d+) ms, typing within (\d+) ms\)$/i.exec(text);
  if (jobs) {
    const [, first, second, words, deadlineMs, quickMs] = jobs;
    const [tap, hold] = [readSimple(keymap, first), readSimple(keymap, second)];
    const school = holdSchools.find((one) => SCHOOL_WORDS[one] === words.toLowerCase());
    if (!tap || !hold || !school) return null;
    return { does: "two-jobs", tap, hold, school, deadlineMs: Number(deadlineMs), quickMs: Number(quickMs) };
  }
  const taps = /^(.*) once; (.*) twice \(within (\d+) ms\)$/i.exec(text);
  if (!taps) return null;
  const [once, twice] = [readSimple(keymap, taps[1]), readSimple(keymap, taps[2])];
  return once && twice ? { does: "second-tap", once, twice, withinMs: Number(taps[3]) } : null;
}

/** The binding that a phrase means on a keymap's layers and macros; null when it means none, or one out of bounds. */
export function readBindingText(keymap: Keymap, text: string): Binding | null {
  const words = text.trim().replace(/\s+/g, " ");
  const found = readJobs(keymap, words) ?? readSimple(keymap, words);
  const read = bindingSchema.safeParse(found);
  return read.success ? read.data : null;
}
