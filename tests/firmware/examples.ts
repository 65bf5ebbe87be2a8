import { readFileSync } from "node:fs";
import type { Design } from "@/core/document/schema";
import { newDesign } from "@/core/document/newDesign";
import { addControl, changeControl } from "@/core/edits/controls";
import { addLayer, bind, setHostLanguage, setLampLook, setLampRule } from "@/core/edits/keymap";
import type { KeyboardBinding } from "@/core/bindings/keyboardUsage";
import type { Macro, MacroStep } from "@/core/document/macros";
import type { LanguageId } from "@/core/languages/ids";
import { addTogether, changeTogether, setOpposite } from "@/core/edits/keyRules";
import { setDebounceOf } from "@/core/edits/timing";
import type { Control } from "@/core/catalogue/kinds";
import { type Opposite, togetherInput } from "@/core/document/keyRules";
import type { Debounce } from "@/core/document/debounce";
import { shareOutDirect, wireAs, wireAsUsual } from "@/core/edits/wiring";
import type { SimulationEvent } from "@/core/engine/simulate";
import { keyboardUsageForCode } from "@/core/hid/keyboardUsages";
import { type Binding, type SimpleBinding, actionOf, bindingSchema } from "@/core/bindings";
import type { HatSide } from "@/core/hid/padShape";
import type { InterfaceKind } from "@/core/hid/interfaceKinds";
import type { SystemDeed } from "@/core/hid/systemUsages";
import { type LampLook, steadyLook } from "@/core/document/lampLooks";
import { type KnobSettings, usualKnob } from "@/core/document/knobs";
import { scanTableOf } from "@/core/firmware/scanTable";
import { tableBytes } from "@/core/firmware/tables";
import { toHex } from "@/core/hex";
import { encodingContextOf } from "@/core/keymap/encodingContext";
import { type Change, frameOf, writeQuestions } from "@/core/live/frames";
import { axisFrom, withUse, withPad } from "./axisExamples";
import { glowOf, withChain } from "./lightExamples";
import { withPage, withTelling } from "./displayExamples";
import { addBoard } from "@/core/edits/boards";
import { type LinkWay, ownControllerFor } from "@/core/edits/controllers";
import { chooseController } from "@/core/edits/pins";
import { noPanel } from "@/core/hid/panelSettings";
import { setPanel } from "@/core/edits/reportSet";
import { withPacket, withPort } from "./radioExamples";
import { withShow, withStart } from "./segmentExamples";
import { onSmallClass } from "./onSmallClass";

/** An example of docs/device-behaviour.md: a small device, what the hand does, and what must come of it. */
export interface Example {
  design: Design;
  events: SimulationEvent[];
  untilMs: number;
  expected: string[];
}

const MODIFIERS = ["LeftControl", "LeftShift", "LeftAlt", "LeftGUI"];
const layerId = (number: string) => (number === "1" ? "base" : `layer${number}`);

function usageOf(code: string): number {
  const found = keyboardUsageForCode(code);
  if (!found) throw new Error(`no usage for ${code}`);
  return found.usage;
}

export function readBinding(text: string): Binding | null {
  const words = text.trim().split(/\s+/);
  if (words[0] === "unbound") return null;
  if (words[0] === "nothing") return { does: "nothing" };
  if (words[0] === "hold") return { does: "hold-layer", layerId: layerId(words[1]) };
  if (words[0] === "stay") return { does: "stay-layer", layerId: layerId(words[1]) };
  if (words[0] === "consumer") return { does: "consumer", usage: parseInt(words[1], 16) };
  if (words[0] === "switch") return { does: "switch-layer", layerId: layerId(words[1]) };
  if (text.trim().startsWith("pad button")) return { does: "pad-button", button: Number(words[2]) - 1 };
  const music = text.includes("|") ? null : readMusic(words);
  if (music) return music;
  if (words[0] === "hat") return { does: "pad-hat", side: words[1] as HatSide };
  if (words[0] === "button") return { does: "pointer-button", button: Number(words[1]) - 1 };
  const place = /^place (\d+) (\d+)$/.exec(text.trim());
  if (place) return { does: "pointer-place", across: 10 * Number(place[1]), down: 10 * Number(place[2]) };
  if (words[0] === "system") return { does: "system", deed: words[1] as SystemDeed };
  const moved = /^move (\w+) at (\d+) after (\d+)$/.exec(text.trim());
  if (moved) return mover({ does: "pointer-move", direction: moved[1], speed: +moved[2], rampMs: +moved[3] });
  const wheel = /^wheel (\w+)(?: every (\d+))?$/.exec(text.trim());
  if (wheel) return mover({ does: "pointer-wheel", direction: wheel[1], everyMs: +(wheel[2] ?? 0) });
  if (words[0] === "awake")
    return { does: "awake", everyS: Number(words[1]), lasting: words.length > 2 ? "held" : "switched" };
  if (words[0] === "play") return { does: "macro", macroId: words[1] };
  const again = /^repeat (\w+) after (\d+) every (\d+)$/.exec(text.trim());
  if (again)
    return {
      does: "repeat",
      usage: usageOf(again[1]),
      modifiers: 0,
      afterMs: Number(again[2]),
      everyMs: Number(again[3]),
    };
  if (words[0] === "next")
    return /^\d+$/.test(words[1])
      ? { does: "next-layer", layerId: layerId(words[1]) }
      : { does: "next-modifiers", modifiers: 1 << MODIFIERS.indexOf(words[1]) };
  if (text.includes("|")) return readJobs(text);
  const parts = text.split("+").map((part) => part.trim());
  const modifiers = parts.slice(0, -1).reduce((bits, name) => bits | (1 << MODIFIERS.indexOf(name)), 0);
  return { does: "keyboard", usage: usageOf(parts.at(-1)!), modifiers };
}

/** "note 60 96 2": its number, how hard, and the channel, which is 1 where it is left out. */
function readMusic([does, first, ...more]: string[]): Binding | null {
  if (does === "program") return mover({ does, program: +first, channel: +(more[0] ?? 1) - 1 });
  if (does !== "note" && does !== "controller") return null;
  const [second, channel = "1"] = more;
  const values = does === "note" ? { note: +first, velocity: +second } : { controller: +first, value: +second };
  return mover({ does, ...values, channel: +channel - 1 });
}

const mover = (binding: object) => bindingSchema.parse(binding) as Binding;

/** "tap LeftShift + KeyA", "text Hi", "wait 20": a step of a macro. */
function readStep(text: string): MacroStep {
  const words = text.trim();
  if (words === "until let go") return { step: "until-let-go" };
  const [, step, what] = /^(\w+) (.*)$/.exec(words)!;
  if (step === "text") return { step, text: what.replaceAll("↵", "\n") };
  const again = /^(\d+) (?:(\d+) times|while held)$/.exec(what);
  if (step === "again") return { step, steps: Number(again![1]), times: Number(again![2] ?? 0) };
  if (step === "wait") return { step, ms: Number(what) };
  if (step === "consumer") return { step, usage: parseInt(what, 16) };
  if (step === "stay" || step === "switch") return { step: "layer", way: step, layerId: layerId(what) };
  const { usage, modifiers } = readBinding(what) as KeyboardBinding;
  return step === "release" ? { step, usage } : { step: step as "press" | "tap", usage, modifiers };
}

/** "M 3 times, any press ends" and its steps, one after another. */
function readMacro(how: string, steps: string): Macro {
  const [, id, plays, ends] = /^(\w+) (once|\d+ times|while held)(, any press ends)?$/.exec(how)!;
  return {
    id,
    name: id,
    plays: plays === "while held" ? { how: "while-held" } : { how: "times", times: parseInt(plays, 10) || 1 },
    endsOnPress: ends !== undefined,
    steps: steps.split(";").map(readStep),
  };
}

const simple = (text: string) => readBinding(text) as SimpleBinding;

/** "KeyA | hold 2 | time 200, quick 50", or "KeyA | KeyB | taps 200". */
function readJobs(text: string): Binding {
  const [first, second, how] = text.split("|");
  const [, school, ms, quick] = /^\s*(\w+) (\d+)(?:, quick (\d+))?\s*$/.exec(how)!;
  if (school === "taps")
    return { does: "second-tap", once: simple(first), twice: simple(second), withinMs: Number(ms) };
  return {
    does: "two-jobs",
    tap: simple(first),
    hold: simple(second),
    school: school as "time" | "press" | "tap",
    deadlineMs: Number(ms),
    quickMs: Number(quick ?? 0),
  };
}

const HAND = /^at (\d+) (press|release|turn) (\w+)(?: (-?\d+))?(?: at (\d+) a second)?$/;

function readSetEvent(line: string): SimulationEvent | null {
  const [, atMs, control, end, percent] = /^at (\d+) set (\w+)(?: (x|y|z))? (-?[\d.]+)$/.exec(line) ?? [];
  return atMs === undefined
    ? null
    : { atMs: Number(atMs), action: "set", control, ...(end ? { end } : {}), percent: Number(percent) };
}

function readHandEvent(line: string): SimulationEvent | null {
  const set = readSetEvent(line);
  if (set) return set;
  const [, atMs, action, control, steps, speed] = HAND.exec(line) ?? [];
  if (atMs === undefined) return null;
  return {
    atMs: Number(atMs),
    control,
    action: action as SimulationEvent["action"],
    ...(steps === undefined ? {} : { steps: Number(steps) }),
    ...(speed === undefined ? {} : { turnsPerSecond: Number(speed) }),
  };
}

function readHostEvent(line: string): SimulationEvent {
  const between = /^at (\d+) line (cut|joined|damaged)$/.exec(line);
  if (between) return { atMs: Number(between[1]), action: `line-${between[2] as "cut"}`, oneOf: 1 };
  const module = /^at (\d+) (pull off|put on) module (\d)$/.exec(line);
  if (module)
    return {
      atMs: Number(module[1]),
      action: module[2] === "put on" ? "put-on" : "pull-off",
      part: 1 + Number(module[3]),
    };
  const plug = /^at (\d+) plug (none|\d)$/.exec(line);
  if (plug?.[2] === "none") return { atMs: Number(plug[1]), action: "plug-out" };
  if (plug) return { atMs: Number(plug[1]), action: "plug-in", part: Number(plug[2]) };
  const answer = /^at (\d+) answer ([0-9a-f ]+)$/.exec(line);
  if (answer) return { atMs: Number(answer[1]), action: "answer", answer: answer[2].replaceAll(" ", "") };
  const polled = /^at (\d+) poll$/.exec(line);
  if (polled) return { atMs: Number(polled[1]), action: "poll" };
  const said = /^at (\d+) line "(.*)"$/.exec(line);
  if (said) return { atMs: Number(said[1]), action: "line", line: said[2] };
  const heard = /^at (\d+) hear ([0-9a-f ]+)$/.exec(line);
  if (heard) return { atMs: Number(heard[1]), action: "hear", heard: heard[2].replaceAll(" ", "") };
  const told = /^at (\d+) told ([0-9a-f ]+)$/.exec(line);
  if (told) return { atMs: Number(told[1]), action: "tell", told: told[2].replaceAll(" ", "") };
  const [, atMs, action, late, cut] = /^at (\d+) (?:host (busy|ready|sleep|wake|reset)|late (\d+)|(power cut))$/.exec(
    line,
  )!;
  if (late) return { atMs: Number(atMs), action: "late", ms: Number(late) };
  return { atMs: Number(atMs), action: cut ? "power-cut" : (action as SimulationEvent["action"]) };
}

/** A set of one live change, told frame by frame; each frame has its time. */
const FRAME_MS = 100;
const CHANGE = /^at (\d+) change (\w+): (.*)$/;

function changeEvents(design: Design, lines: string[]): SimulationEvent[] {
  const scan = scanTableOf(design);
  const tables = tableBytes(scan, design);
  const tablesCrc = tables.at(-2)! | (tables.at(-1)! << 8);
  return lines.flatMap((line, sequence) => {
    const [, atMs, name, binding] = CHANGE.exec(line)!;
    const { kind, modifiers, value } = actionOf(readBinding(binding) ?? undefined, encodingContextOf(design));
    const input = scan.inputs.indexOf(`${name}:press`);
    const change: Change = { layer: 0, input, action: [kind, modifiers, value & 0xff, value >> 8] };
    return writeQuestions([change], { sequence, tablesCrc }).map((question, nth) => ({
      atMs: Number(atMs) + nth * FRAME_MS,
      action: "ask" as const,
      frame: toHex(frameOf(question, nth + 1)),
    }));
  });
}

function place(
  design: Design,
  kind:
    | "key"
    | "encoder"
    | "lamp"
    | "light"
    | "toggle"
    | "stick"
    | "pot"
    | "segments"
    | "display"
    | "radio"
    | "pad-port"
    | "music-socket",
  name: string,
  beside?: string,
): Design {
  const there = design.controls.find(({ id }) => id === beside);
  const [xMm, yMm] = there ? [there.placement.xMm, 6] : [design.controls.length * 20, 0];
  const at = { xMm, yMm, rotationDeg: 0, boardId: "panel" };
  return changeControl(addControl(design, kind, name, at), name, { label: name });
}

const INPUT: Record<string, string> = {
  clockwise: "cw",
  anticlockwise: "ccw",
  "x high": "x-high",
  "x low": "x-low",
  high: "wiper-high",
  together: "together",
  back: "press-back",
};

function withLayer(design: Design, id: string): Design {
  return design.keymap.layers.some((layer) => layer.id === id) ? design : addLayer(design, id, id);
}

/** A controller on which knobs are told by their edges. */
const INTERRUPTING = "pins interrupt";
const EVERY_KEY = "every key";
const LINES = "lines over a serial port";
const NOTES = /^notes from the computer: channel (\d+), note (\d+), controller (\d+)$/;
/** Controls of a second part, which has a controller of its own; and that the frames between them are listed. */
const FAR = /^second part: (.*)$/;
/** Controls of modules on a bus, which call on one line for all unless each has its own. */
const MODULE = /^module \d: (.*)$/;
const OWN_CALLS = "a line each";
export const FRAMES = "frames";
const NO_USB_MUSIC = "no music over USB";

/** Reports that a new design does not declare by itself, where an example has something that speaks through them. */
const DECLARED: [RegExp, InterfaceKind][] = [
  [/[:=|,] *(button|move|wheel|awake|pointer) |clockwise wheel /, "pointer"],
  [/[:=|] *place /, "place"],
  [/[:=] *(pad|hat) /, "pad"],
  [/^at \d+ (told|answer) /m, "panel"],
  [/[:=|] *(note|controller|program|music) |controls \d|^notes from the computer/m, "music"],
  [/[:=|] *system /, "system"],
];
function declaring(design: Design, setup: string): Design {
  const more = DECLARED.flatMap(([uses, kind]) => (uses.test(setup) ? [kind] : [])).filter(
    (kind) => kind !== "music" || !setup.includes(NO_USB_MUSIC),
  );
  return { ...design, reportSet: { ...design.reportSet, interfaces: [...design.reportSet.interfaces, ...more] } };
}

/** Makes the device of an example line by line; layers are made up to the highest that is named. */
export function readExample(text: string): Example {
  const [setup, expected = ""] = text.split(/^gives\n?/m);
  const lines = setup.split("\n").filter(Boolean);
  let design = declaring(newDesign("example", "Example"), setup);
  for (let number = 2; new RegExp(`(layer|hold|stay|switch|next) ${number}\\b`).test(setup); number++)
    design = withLayer(design, layerId(String(number)));
  const events: SimulationEvent[] = [];
  const changes: string[] = [];
  for (const line of lines) {
    const hand = readHandEvent(line);
    if (hand) events.push(hand);
    else if (CHANGE.test(line)) changes.push(line);
    else if (line.startsWith("at ")) events.push(readHostEvent(line));
    else if (line === EVERY_KEY) design = { ...design, reportSet: { ...design.reportSet, everyKey: true } };
    else if (line === LINES) design = setPanel(design, { ...noPanel, lines: true });
    else if (NOTES.test(line)) {
      const [channel, note, controller] = NOTES.exec(line)!.slice(1).map(Number);
      design = setPanel(design, { ...noPanel, notes: { channel: channel - 1, note, controller } });
    } else if (line.startsWith("endpoints "))
      design = { ...design, reportSet: { ...design.reportSet, endpointsMost: Number(line.split(" ")[1]) } };
    else if (
      line !== INTERRUPTING &&
      line !== NO_USB_MUSIC &&
      line !== FRAMES &&
      line !== OWN_CALLS &&
      !FAR.test(line) &&
      !MODULE.test(line)
    )
      design = obey(design, line);
  }
  const displays = design.controls.flatMap(({ id, kind }) => (kind === "segments" ? [`${id}:segments`] : []));
  const wiredUp = wireAsUsual(shareOutDirect(design), ownCircuits(design));
  const shown = displays.length > 0 ? withStart(wireAs(wiredUp, "segment-chain", displays), lines) : wiredUp;
  const direct = withChain(withDots(shown, lines), lines);
  const whole = lines.includes(INTERRUPTING) ? onSmallClass(direct) : direct;
  const far = lines.flatMap((line) => FAR.exec(line)?.[1].split(" ") ?? []);
  const modules = lines.flatMap((line) => (MODULE.test(line) ? [MODULE.exec(line)![1].split(" ")] : []));
  const calls = lines.includes(OWN_CALLS) ? "own" : "shared";
  const wired =
    far.length > 0 ? inParts(whole, [far], null) : modules.length > 0 ? inParts(whole, modules, calls) : whole;
  events.push(...changeEvents(wired, changes));
  const until = /^until (\d+)$/m.exec(setup);
  const untilMs = until ? Number(until[1]) : Math.max(...events.map((one) => one.atMs)) + 200;
  return { design: wired, events, untilMs, expected: expected.split("\n").filter(Boolean).map(written) };
}

/** These controls lie on boards of their own, each with a controller that is joined to the first. */
const inParts = (design: Design, parts: string[][], way: LinkWay): Design =>
  parts.reduce(
    (whole, names, nth) => {
      const board = `part-${nth + 2}`;
      const moved = names.reduce(
        (d, name) => {
          const { placement } = d.controls.find(({ id }) => id === name)!;
          return changeControl(d, name, { placement: { ...placement, boardId: board } });
        },
        addBoard(whole, board, board, "half"),
      );
      return ownControllerFor(moved, board, "small-5v-18", way);
    },
    chooseController(design, "small-5v-18"),
  );

/** What has a circuit of its own sort: radios, pad ports and sockets for music. */
const ownCircuits = ({ controls }: Design) =>
  controls.flatMap(({ id, kind }) => (Object.hasOwn(OWN, kind) ? [`${id}:${OWN[kind]}`] : []));
const OWN: Record<string, string> = { radio: "radio", "pad-port": "port", "music-socket": "socket" };

/** Displays of dots are put on the two-wire bus. */
function withDots(design: Design, lines: string[]): Design {
  const dots = design.controls.flatMap(({ id, kind }) => (kind === "display" ? [`${id}:display`] : []));
  if (dots.length === 0) return design;
  const wired = wireAs(design, "bus-displays", dots);
  return withTelling(wired, lines, wired.circuits.find(({ kind }) => kind === "bus-displays")!.id);
}

/** "40 times 00 01 02" in full. */
const written = (line: string) =>
  line.replace(/(\d+) times (.*)$/, (_, times, bytes) => new Array<string>(Number(times)).fill(bytes).join(" "));

/** What is told of lights after the others are wired. */
const OF_CHAINS = /^(chain|bridged|order|until|start|begin|places|from column) /;

function obey(design: Design, line: string): Design {
  if (OF_CHAINS.test(line)) return design;
  const [, verb, rest] = /^(\w+) (.*)$/.exec(line)!;
  const timing = (change: Partial<Design["timing"]>) => ({ ...design, timing: { ...design.timing, ...change } });
  if (verb === "debounce" && /^\d+$/.test(rest)) return timing({ debounce: { school: "deferred", ms: Number(rest) } });
  if (verb === "step") return timing({ pulseMs: Number(rest) });
  if (verb === "computer") return setHostLanguage(design, rest as LanguageId);
  const [name, what] = rest.split(/:\s*/);
  if (verb === "macro") {
    const macros = [...(design.keymap.macros ?? []), readMacro(name, what)];
    return { ...design, keymap: { ...design.keymap, macros } };
  }
  if (verb === "key") return bind(place(design, "key", name), "base", `${name}:press`, readBinding(what));
  if (verb === "debounce") {
    const [school, ms] = what.split(" ");
    return setDebounceOf(design, [name], { school: school as Debounce["school"], ms: Number(ms) });
  }
  if (verb === "toggle" || verb === "lever") {
    const there = place(design, "toggle", name);
    const told = changeControl(there, name, { tells: verb === "toggle" ? "change" : "state" } as Partial<Control>);
    return bind(told, "base", `${name}:press`, readBinding(what));
  }
  if (verb === "back") return bind(design, "base", `${name}:press-back`, readBinding(what));
  if (verb === "knob") return knob(design, name, what);
  if (verb === "together") return together(design, name, what);
  if (verb === "opposites") {
    const [first, second] = name.split(" ").map((one) => `${one}:press`);
    return setOpposite(design, { first, second, counts: what as Opposite["counts"] });
  }
  if (verb === "segments") return changeControl(place(design, "segments", name), name, { digits: Number(what) });
  if (verb === "socket") return place(design, "music-socket", rest);
  if (verb === "port") return withPort(place(design, "pad-port", name), what);
  if (verb === "radio") return withPacket(place(design, "radio", name), what);
  if (verb === "display") {
    const [widthPx, heightPx] = what.split(" x ").map(Number);
    return changeControl(place(design, "display", name), name, { widthPx, heightPx });
  }
  if (verb === "page") return withPage(design, "base", name, what);
  if (verb === "show") return withShow(design, "base", name, what);
  if (verb === "stick" || verb === "pot") return place(design, verb, rest);
  if (verb === "axis") return axisFrom(design, name, what);
  if (verb === "use") return withUse(design, "base", name, what);
  if (verb === "pad") return withPad(design, what ?? rest);
  if (verb === "light") return place(design, "light", rest.split(" ")[0], / by (\w+)$/.exec(rest)?.[1]);
  if (verb === "lights")
    return Array.from({ length: Number(rest) }).reduce<Design>((d, _, nth) => place(d, "light", `L${nth + 1}`), design);
  if (verb === "glow") {
    const glows = design.keymap.glows ?? [];
    return { ...design, keymap: { ...design.keymap, glows: [...glows, glowOf(rest, `glow${glows.length}`)] } };
  }
  if (verb === "lamp") return lamp(place(design, "lamp", name), name, what.split(" "));
  if (verb === "look") return setLampLook(design, name, lookFrom(what));
  if (verb === "layer") return bindOnLayer(design, name, what);
  if (verb !== "encoder") throw new Error(`cannot read "${line}"`);
  return what.split(",").reduce(
    (result, part) => {
      const [, motion, binding] = /^\s*(\w+) (.*)$/.exec(part)!;
      return bind(result, "base", `${name}:${INPUT[motion]}`, readBinding(binding));
    },
    place(design, "encoder", name),
  );
}

/** "felt 2, told 3, fast 40, up to 5, top 10": what is left out is as usual. */
function knob(design: Design, name: string, what: string): Design {
  const fields: Record<string, keyof KnobSettings> = {
    felt: "felt",
    told: "told",
    fast: "fastMs",
    "up to": "fastTold",
    top: "top",
    controls: "controller",
  };
  const settings = Object.fromEntries(
    what.split(",").map((part) => {
      const [, field, value] = /^\s*([a-z ]+) (\d+)$/.exec(part)!;
      return [fields[field], field === "controls" ? { controller: Number(value), channel: 0 } : Number(value)];
    }),
  );
  const knobs = { ...design.keymap.knobs, [`${name}:turn`]: { ...usualKnob, ...settings } };
  return { ...design, keymap: { ...design.keymap, knobs } };
}

/** "A B within 40 = KeyX" */
function together(design: Design, id: string, what: string): Design {
  const [, keys, ms, binding] = /^([\w ]+) within (\d+) = (.*)$/.exec(what)!;
  const parts = keys.split(" ").map((key) => `${key}:press`);
  const made = changeTogether(addTogether(design, id, parts), id, { windowMs: Number(ms) });
  return bind(made, "base", togetherInput(id), readBinding(binding));
}

function bindOnLayer(design: Design, number: string, what: string): Design {
  const page = /^page (\w+) = (.*)$/.exec(what);
  if (page) return withPage(design, layerId(number), page[1], page[2]);
  const shown = /^show (\w+) = (.*)$/.exec(what);
  if (shown) return withShow(design, layerId(number), shown[1], shown[2]);
  const used = /^use ([\w ]+) = (.*)$/.exec(what);
  if (used) return withUse(design, layerId(number), used[1], used[2]);
  const [input, binding] = what.split("=");
  const [, control, motion = ""] = /^(\w+) ?(.*)$/.exec(input.trim())!;
  return bind(design, layerId(number), `${control}:${INPUT[motion] ?? "press"}`, readBinding(binding));
}

/** "on 300 off 200", "on 80 off 100 times 2", "eighths 2". */
function lookFrom(what: string): LampLook {
  const fields = { on: "onMs", off: "offMs", times: "times", eighths: "eighths" } as const;
  const told = [...what.matchAll(/(\w+) (\d+)/g)].map(([, field, value]) => [
    fields[field as keyof typeof fields],
    Number(value),
  ]);
  return { ...steadyLook, ...Object.fromEntries(told) };
}

function lamp(design: Design, name: string, [when, what, level]: string[]): Design {
  const isPot = design.controls.some(({ id, kind }) => id === what && kind === "pot");
  const elementId = /^\d$/.test(what) ? `computer:${Number(what) - 1}` : `${what}:${isPot ? "wiper" : "turn"}`;
  if (when === "value") return setLampRule(design, name, { when, elementId, atLeast: Number(level) });
  if (when === "told") return setLampRule(design, name, { when, flag: Number(what) - 1 });
  if (when === "layer") return setLampRule(design, name, { when, layerId: layerId(what) });
  if (when === "held") return setLampRule(design, name, { when, inputId: `${what}:press` });
  if (when === "lock") return setLampRule(design, name, { when, lock: what as "num" | "caps" | "scroll" });
  return setLampRule(design, name, { when: when as "always" | "never" | "next" | "awake" });
}

/** The specification of the device, and its examples with the words that stand before each. */
export const behaviourPage = readFileSync(new URL("../../docs/device-behaviour.md", import.meta.url), "utf8");
export const behaviourExamples = [...behaviourPage.matchAll(/((?:^.+\n)+)\n```example\n([\s\S]*?)```/gm)].map(
  ([, words, body]) => ({ title: words.trim().replace(/\s+/g, " "), body }),
);
