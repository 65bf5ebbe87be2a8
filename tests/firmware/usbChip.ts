import { writeFileSync } from "node:fs";
import { join } from "node:path";
import { fileURLToPath } from "node:url";
import type { Design } from "@/core/document/schema";
import { simulate, type SimulationRequest } from "@/core/engine/simulate";
import type { DeviceWatch } from "@/core/engine/device";
import { interfaceKinds } from "@/core/hid/interfaceKinds";
import { toHex } from "@/core/hex";
import { flashImage } from "@/core/image/flashImage";
import { usb8Code } from "@/core/image/usb8Code";
import { derive } from "@/core/derived/derive";
import { usb8Processor } from "../../scripts/buildFirmware.mjs";
import { STRICT, play } from "./builds";
import { builtOnce } from "./builtOnce";
import { chipWiring, contactsOf } from "./chipWiring";

const firmware = fileURLToPath(new URL("../../firmware", import.meta.url));
const chip = fileURLToPath(new URL("chip", import.meta.url));
const FLASH_BYTES = 0x8000;

/** The simulated chip with a small USB host and the parts around it. */
export function buildUsbHost(): string {
  const sources = [
    "host.c",
    "joined.c",
    "modules.c",
    "endpoints.c",
    "wiring.c",
    "expanders.c",
    "ladders.c",
    "wipers.c",
    "lights.c",
    "segments.c",
    "displays.c",
  ].map((name) => join(chip, name));
  const includes = [`-I${join(firmware, "src")}`, `-I${chip}`];
  const how = [...STRICT, "-O2", ...includes, ...sources, "-o", "usb-host", "-lsimavr", "-lelf"];
  return join(builtOnce("gcc", how), "usb-host");
}

/**
 * Writes a design's whole flash and what lies around the chip. @returns the program's arguments
 * @param spoil what is done to the flash first
 * @param part which of the design's controllers
 */
export function imageFiles(
  design: Design,
  folder: string,
  spoil: (flash: Uint8Array) => void = () => {},
  part = 0,
): string[] {
  const image = flashImage(design, usb8Code(design), part);
  if (!image.ok) throw new Error(JSON.stringify(image.problems));
  return flashFiles(design, folder, image.value.parts, part, spoil);
}

/** The same of bytes that were made in another way. */
export function flashFiles(
  design: Design,
  folder: string,
  parts: { at: number; bytes: ArrayLike<number> }[],
  part = 0,
  spoil: (flash: Uint8Array) => void = () => {},
): string[] {
  const flash = new Uint8Array(FLASH_BYTES).fill(0xff);
  for (const { at, bytes } of parts) flash.set(bytes, at);
  spoil(flash);
  const [binary, wiring] = [join(folder, `flash${part}.bin`), join(folder, `wiring${part}.txt`)];
  writeFileSync(binary, flash);
  writeFileSync(wiring, chipWiring(design, part));
  return [usb8Processor(), binary, wiring];
}

/** Answers of the image to control requests in hexadecimal: setup packet and bytes to send; "reset" resets the bus. */
export function ask(host: string, args: string[], requests: string[]): string[] {
  const { output } = play(host, [...args, "ask"], `${requests.join("\n")}\n`);
  return output.trimEnd().split("\n");
}

/** The device is awake for so long before anything happens: what is closed at the start has not been flipped. */
const AWAKE_MS = 20;

/** A use of the device that begins a little later. */
export const later = ({ events, untilMs, ...more }: SimulationRequest): SimulationRequest => ({
  ...more,
  events: events.map((event) => ({ ...event, atMs: event.atMs + AWAKE_MS })),
  untilMs: untilMs + AWAKE_MS,
});

/** A run with contacts, and what must come of it. */
export interface Recorded {
  script: string;
  expected: string;
}

/** So old is the device on the chip when a sequence begins (chip/host.c): its lights have moved by themselves since. */
const CHIP_AGE_MS = 200;

/** What contacts do in a simulated run on the chip. */
export function recordOnChip(design: Design, { events, untilMs, ...more }: SimulationRequest): Recorded {
  const older = (ms: number) => ms + CHIP_AGE_MS;
  const request = {
    ...more,
    events: events.map((event) => ({ ...event, atMs: older(event.atMs) })),
    untilMs: older(untilMs),
  };
  const younger = (text: string) =>
    text
      .split("\n")
      .flatMap((line) => {
        const [, ms, rest] = /^(\d+) (.*)$/.exec(line) ?? [];
        if (ms === undefined) return [line];
        // What lamps have shown since the start is told at its begin; what lights were sent before is over.
        const isOver = Number(ms) < CHIP_AGE_MS && !rest.startsWith("lamp");
        return isOver ? [] : [`${Math.max(0, Number(ms) - CHIP_AGE_MS)} ${rest}`];
      })
      .join("\n");
  const { script, expected } = recordContacts(design, request);
  return { script: younger(script), expected: younger(expected) };
}

/**
 * Reports of one millisecond in the order of their names: the host asks its endpoints in turn, and does not see in which order they were
 * offered. Those of one kind stay as they come.
 */
export function inAnyOrder(text: string): string {
  const lines = text.split("\n");
  const kindOf = (line: string) => /^\d+ (\w+) /.exec(line)?.[1] ?? "";
  const isReport = (line = "") => (interfaceKinds as string[]).includes(kindOf(line));
  for (let from = 0, to = 1; from < lines.length; from = to++) {
    if (!isReport(lines[from])) continue;
    while (isReport(lines[to]) && parseInt(lines[to]) === parseInt(lines[from])) to++;
    const sorted = lines.slice(from, to).sort((a, b) => (kindOf(a) < kindOf(b) ? -1 : kindOf(a) > kindOf(b) ? 1 : 0));
    lines.splice(from, to - from, ...sorted);
  }
  return lines.join("\n");
}

/** What contacts do in a simulated run, and what must come of it. */
export function recordContacts(design: Design, request: SimulationRequest): Recorded {
  const numbers = new Map(contactsOf(design).map((contact, number) => [contact, number]));
  const script: string[] = [];
  const expected: string[] = [];
  const lit = new Set<number>();
  let locks = 0;
  const watch: DeviceWatch = {
    contact: (atMs, contact, closed) => script.push(`${atMs} contact ${numbers.get(contact)} ${closed ? 1 : 0}`),
    told: (atMs, bytes) => {
      const sameMs = script.findIndex((line) => line.startsWith(`${atMs} `));
      script.splice(sameMs < 0 ? script.length : sameMs, 0, `${atMs} told ${toHex(bytes)}`);
    },
    plug(atMs, levels) {
      script.push(`${atMs} poll`);
      expected.push(`${atMs} plug ${levels.map(Number).join("")}`);
    },
    din: (atMs, bytes) => expected.push(`${atMs} din ${toHex(bytes)}`),
    radio: (atMs, bytes) => expected.push(`${atMs} radio ${toHex(bytes)}`),
    heard: (atMs, event) => script.push(`${atMs} heard ${toHex(event)}`),
    line: (atMs, bytes) => script.push(`${atMs} line ${toHex(bytes)}`),
    radioAnswer: (atMs, bytes) => script.push(`${atMs} answer ${toHex(bytes)}`),
    level: (atMs, sensor, level) => script.push(`${atMs} wiper ${sensor} ${level}`),
    host: (atMs, what, value) => {
      if (what === "busy") script.push(`${atMs} busy ${value}`);
      if (what !== "locks" || value === locks) return;
      locks = value;
      const sameMs = script.findIndex((line) => line.startsWith(`${atMs} `));
      script.splice(sameMs < 0 ? script.length : sameMs, 0, `${atMs} locks ${value}`);
    },
    report: ({ atMs, interface: name, bytes }) => expected.push(`${atMs} ${name} ${toHex(bytes)}`),
    segments: (atMs, chain, bytes) => expected.push(`${atMs} segments ${chain} ${toHex(bytes)}`),
    display: (atMs, display, bytes) => expected.push(`${atMs} display ${display} ${toHex(bytes)}`),
    lights: (atMs, chain, bytes) => expected.push(`${atMs} lights ${chain} ${toHex(bytes)}`),
    lamp: (atMs, line, on) => {
      if (on === lit.has(line)) return;
      if (on) lit.add(line);
      else lit.delete(line);
      expected.push(`${atMs} lamp ${line} ${on ? 1 : 0}`);
    },
  };
  const run = simulate(design, request, watch);
  if (!run.ok) throw new Error(JSON.stringify(run.problems));
  return {
    script: [...script, `${request.untilMs} end`, ""].join("\n"),
    expected: [...expected, "end", ""].join("\n"),
  };
}

/** A use in which so many switches close in the same millisecond, and open together, until all have been pressed once. */
export function manyAtOnce(design: Design, atOnce: number): SimulationRequest {
  const switches = [...derive(design).elements.values()].filter(({ kind }) => kind === "switch");
  const times = Math.ceil(switches.length / atOnce);
  const events = switches.flatMap(({ id, controlId }, nth) => {
    const atMs = 20 + 60 * Math.floor(nth / atOnce);
    const move = { control: controlId, end: id };
    return [
      { ...move, atMs, action: "press" as const },
      { ...move, atMs: atMs + 30, action: "release" as const },
    ];
  });
  return { events: events.sort((a, b) => a.atMs - b.atMs), untilMs: 60 + 60 * times };
}

/** A number that the host tells of a run: "most" and "mean" cycles of a scan, "stack" in bytes, "late" scans. */
export const toldOf = (notes: string, what: "most" | "mean" | "stack" | "late" | "lights" | "pause"): number =>
  Number(new RegExp(`^scans.* ${what} (\\d+)`, "m").exec(notes)![1]);

/** Milliseconds whose scan came late on the chip, by sequence: what the other builds are then given too. */
export function lateOn(notes: string): Map<number, SimulationRequest["events"]> {
  const bySequence = new Map<number, SimulationRequest["events"]>();
  for (const [, sequence, atMs, ms] of notes.matchAll(/^late (\d+) (\d+) (\d+)$/gm)) {
    const events = bySequence.get(Number(sequence)) ?? [];
    bySequence.set(Number(sequence), [...events, { atMs: Number(atMs), action: "late", ms: Number(ms) }]);
  }
  return bySequence;
}
