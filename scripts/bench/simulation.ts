import { simulate, type SimulationEvent } from "@/core/engine/simulate";
import { recordScript } from "@/core/engine/script";
import { bringInlineRuntime } from "@/core/engine/inlineRuntime";
import { BANKS, startRuntime } from "@/core/engine/runtime";
import { scanTableOf } from "@/core/firmware/scanTable";
import { tableBytes } from "@/core/firmware/tables";
import { buildNative, play, workFolder } from "../../tests/firmware/builds";
import { keyboardOf } from "../../tests/firmware/keyboard64";
import { type Row, median } from "./row";

const SECONDS = 60;
const ROUNDS = 5;
const LIMIT = 500;

/** Fast typing on 108 keys, ten keystrokes a second, with bouncing contacts. */
function typing(): SimulationEvent[] {
  return Array.from({ length: SECONDS * 10 }, (_, nth) => nth).flatMap((nth): SimulationEvent[] => {
    const control = `k${1 + ((nth * 37) % 108)}`;
    return [
      { atMs: nth * 100, control, action: "press" },
      { atMs: nth * 100 + 70, control, action: "release" },
    ];
  });
}

export function simulationRow(): Row {
  const design = keyboardOf(6, 18, 4);
  const request = { events: typing(), untilMs: SECONDS * 1000, bounce: { mostMs: 4, seed: 1 } };
  const rates = Array.from({ length: ROUNDS }, () => {
    const began = performance.now();
    const run = simulate(design, request);
    if (!run.ok || run.value.reports.length < SECONDS * 10) throw new Error("the simulation did not type");
    return (SECONDS * 1000) / (performance.now() - began);
  });
  const rate = median(rates);
  return {
    what: "simulation, 108 keys, 1 kHz scan, electrical model",
    measured: `${rate.toFixed(0)} × real time`,
    limit: `${LIMIT} ×`,
    ratio: rate / LIMIT,
  };
}

interface Sense {
  atMs: number;
  /** Place of the answer, by strobe and bank. */
  place: number;
  word: number;
}

const sensesOf = (script: string): Sense[] =>
  script.split("\n").flatMap((line) => {
    const [atMs, verb, strobe, bank, word] = line.split(" ");
    if (verb !== "sense") return [];
    const row = strobe === "-" ? 0 : Number(strobe) + 1;
    return [{ atMs: Number(atMs), place: row * BANKS + Number(bank), word: parseInt(word, 16) }];
  });

/** The firmware alone, as WebAssembly, on a recorded script: milliseconds for it all, and how many reports came. */
function playWasm(tables: Uint8Array, senses: Sense[], untilMs: number) {
  let reports = 0;
  bringInlineRuntime();
  const runtime = startRuntime(tables, {
    report: () => ((reports += 1), true),
    lamp: () => undefined,
    lights: () => undefined,
  });
  const began = performance.now();
  let next = 0;
  for (let now = 0; now < untilMs; now++) {
    for (; next < senses.length && senses[next].atMs <= now; next++)
      runtime.answers[senses[next].place] = senses[next].word;
    runtime.scan(1);
  }
  return { ms: performance.now() - began, reports };
}

/** Long enough that starting a process does not count. */
const LONG_S = 1200;
const AGAINST_NATIVE = 3;

/** The same runtime on the same script, as WebAssembly and built by gcc; the electrical model is left out of both. */
export function wasmRow(): Row {
  const design = keyboardOf(6, 18, 4);
  const recorded = recordScript(design, { events: typing(), untilMs: SECONDS * 1000, bounce: { mostMs: 4, seed: 1 } });
  if (!recorded.ok) throw new Error("nothing was recorded");
  const { script, expected } = recorded.value;
  const rounds = LONG_S / SECONDS;
  const folder = workFolder();
  const program = buildNative("gcc", design, folder);
  const native = (times: number) => {
    const began = performance.now();
    const { output } = play(program, [], script.repeat(times));
    return { ms: performance.now() - began, reports: output.match(/ keyboard /g)?.length ?? 0 };
  };
  const tables = tableBytes(scanTableOf(design), design);
  const senses = sensesOf(script);
  const pairs = Array.from({ length: ROUNDS }, () => {
    const gcc = native(rounds).ms - native(1).ms;
    let wasm = 0;
    for (let round = 1; round < rounds; round++) wasm += playWasm(tables, senses, SECONDS * 1000).ms;
    return wasm / gcc;
  });
  const reports = expected.match(/ keyboard /g)!.length;
  if (native(1).reports !== reports || playWasm(tables, senses, SECONDS * 1000).reports !== reports)
    throw new Error("the two did not report alike");
  const times = median(pairs);
  return {
    what: "firmware as WebAssembly against gcc, same run, no model",
    measured: `${times.toFixed(2)} × the time`,
    limit: `${AGAINST_NATIVE} ×`,
    ratio: AGAINST_NATIVE / times,
  };
}
