import { REPORTS } from "../contract/contract";
import type { DeviceWatch } from "./device";
import { partRecorder } from "./partScript";
import { type SimulationRequest, simulate } from "./simulate";
import { toHex } from "../hex";
import type { Design } from "../document/schema";
import { type Result, good } from "../document/problem";

/** A run as the host stand-in reads it, and the output it must give (firmware/hal/host/hal_host.c). */
export interface FirmwareScript {
  script: string;
  expected: string;
}

/** Writes down what a device senses and reports while it runs. */
export function scriptRecorder(): { watch: DeviceWatch; end(atMs: number): FirmwareScript } {
  const script: string[] = [];
  const expected: string[] = [];
  let locks = 0;
  const watch: DeviceWatch = {
    answer: (atMs, strobe, bank, word) =>
      script.push(`${atMs} sense ${strobe ?? "-"} ${bank} ${word.toString(16).padStart(4, "0")}`),
    level: (atMs, sensor, level) => script.push(`${atMs} level ${sensor} ${level.toString(16)}`),
    edge: (atMs, encoder, state) => script.push(`${atMs} edge ${encoder} ${state}`),
    report: (report) => expected.push(`${report.atMs} ${report.interface} ${toHex(report.bytes)}`),
    lamp: (atMs, line, on) => expected.push(`${atMs} lamp ${line} ${on ? 1 : 0}`),
    lights: (atMs, chain, bytes) => expected.push(`${atMs} lights ${chain} ${toHex(bytes)}`),
    display: (atMs, display, bytes) => expected.push(`${atMs} display ${display} ${toHex(bytes)}`),
    segments: (atMs, chain, bytes) => expected.push(`${atMs} segments ${chain} ${toHex(bytes)}`),
    radio: (atMs, bytes) => expected.push(`${atMs} radio ${toHex(bytes)}`),
    din: (atMs, bytes) => expected.push(`${atMs} din ${toHex(bytes)}`),
    plug(atMs, levels) {
      script.push(`${atMs} poll`);
      expected.push(`${atMs} plug ${levels.map(Number).join("")}`);
    },
    heard: (atMs, event) => script.push(`${atMs} heard ${toHex(event)}`),
    line: (atMs, bytes) => script.push(`${atMs} line ${toHex(bytes)}`),
    radioAnswer: (atMs, bytes) => script.push(`${atMs} answer ${toHex(bytes)}`),
    shares: (kinds) => script.push(`0 shares ${kinds.map((kind) => REPORTS[kind].number).join(" ")}`),
    told: (atMs, bytes) => script.push(`${atMs} told ${toHex(bytes)}`),
    asked: (atMs, frame) => script.push(`${atMs} ask ${toHex(frame)}`),
    answered: (atMs, frame) => expected.push(`${atMs} live ${toHex(frame)}`),
    host: (atMs, what, value) => {
      if (what === "locks" && value === locks) return;
      if (what === "locks") locks = value;
      if (what === "off") locks = 0;
      script.push(what === "reset" || what === "off" ? `${atMs} ${what}` : `${atMs} ${what} ${value}`);
    },
  };
  return {
    watch,
    end(atMs) {
      script.push(`${atMs} end`);
      expected.push("end");
      return { script: `${script.join("\n")}\n`, expected: `${expected.join("\n")}\n` };
    },
  };
}

/** Records what the firmware of each part senses and reports in a simulated run, in the order of the controllers. */
export function recordScripts(design: Design, request: SimulationRequest): Result<FirmwareScript[]> {
  if (design.controllers.length > 1) {
    const parts = partRecorder(design);
    const both = simulate(design, request, parts.watch);
    return both.ok ? good(parts.end(request.untilMs)) : both;
  }
  const recorder = scriptRecorder();
  const run = simulate(design, request, recorder.watch);
  return run.ok ? good([recorder.end(request.untilMs)]) : run;
}

/** The same of the first part, which most devices have alone. */
export function recordScript(design: Design, request: SimulationRequest): Result<FirmwareScript> {
  const all = recordScripts(design, request);
  return all.ok ? good(all.value[0]) : all;
}
