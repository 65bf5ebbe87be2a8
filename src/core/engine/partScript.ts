import { REPORTS } from "../contract/contract";
import type { Design } from "../document/schema";
import { scanTableOf } from "../firmware/scanTable";
import { toHex } from "../hex";
import type { DeviceWatch } from "./device";
import type { FirmwareScript } from "./script";

/** Writes down what each of a device's parts senses, hears over the line or bus and gives away, as the host stand-in reads it (firmware/hal/host/hal_host.c). */
export function partRecorder(design: Design): { watch: DeviceWatch; end(atMs: number): FirmwareScript[] } {
  const { parts } = scanTableOf(design);
  const scripts: string[][] = parts.map((_, part) => [`0 part ${part}`]);
  const expected: string[][] = scripts.map(() => []);
  const both = (line: string) => scripts.forEach((lines) => lines.push(line));
  // What a computer says is said to the part that the plug was in last.
  let plugged = 0;
  const one = (line: string) => scripts[plugged].push(line);
  const watch: DeviceWatch = {
    answer: (atMs, strobe, bank, word) =>
      both(`${atMs} sense ${strobe ?? "-"} ${bank} ${word.toString(16).padStart(4, "0")}`),
    level: (atMs, sensor, level) => both(`${atMs} level ${sensor} ${level.toString(16)}`),
    edge(atMs, encoder, state) {
      // Only the part that a knob hangs on has its pins interrupt.
      const owner = parts.findIndex(({ encoders }) => encoder < encoders);
      scripts[owner].push(`${atMs} edge ${encoder} ${state}`);
    },
    told: (atMs, bytes) => one(`${atMs} told ${toHex(bytes)}`),
    heard: (atMs, event) => one(`${atMs} heard ${toHex(event)}`),
    line: (atMs, bytes) => one(`${atMs} line ${toHex(bytes)}`),
    asked: (atMs, frame) => one(`${atMs} ask ${toHex(frame)}`),
    answered: (atMs, frame) => expected[plugged].push(`${atMs} live ${toHex(frame)}`),
    host(atMs, what, value) {
      const line = what === "reset" || what === "off" ? `${atMs} ${what}` : `${atMs} ${what} ${value}`;
      if (what === "late" || what === "off") both(line);
      else one(line);
    },
    shares: (kinds) => both(`0 shares ${kinds.map((kind) => REPORTS[kind].number).join(" ")}`),
    parts: {
      linked: (atMs, part, bytes) => scripts[part].push(`${atMs} linked ${toHex(bytes)}`),
      setUp(atMs, part, is) {
        if (is) plugged = part;
        scripts[part].push(`${atMs} setup ${is ? 1 : 0}`);
      },
      away: (atMs, part, isAway) => scripts[part].push(`${atMs} ${isAway ? "gone" : "back"}`),
      seesCalls: (atMs, part, mask) => scripts[part].push(`${atMs} calls ${mask}`),
      asks: (atMs, part, module) => expected[part].push(`${atMs} asks ${module}`),
      calls: (atMs, part) => expected[part].push(`${atMs} calls`),
      link: (atMs, part, bytes) => expected[part].push(`${atMs} link ${toHex(bytes)}`),
      lamp: (atMs, part, line, on) => expected[part].push(`${atMs} lamp ${line} ${on ? 1 : 0}`),
      lights: (atMs, part, chain, bytes) => expected[part].push(`${atMs} lights ${chain} ${toHex(bytes)}`),
      segments: (atMs, part, chain, bytes) => expected[part].push(`${atMs} segments ${chain} ${toHex(bytes)}`),
      display: (atMs, part, display, bytes) => expected[part].push(`${atMs} display ${display} ${toHex(bytes)}`),
      report: (atMs, part, kind, bytes) => expected[part].push(`${atMs} ${kind} ${toHex(bytes)}`),
    },
  };
  return {
    watch,
    end: (atMs) =>
      scripts.map((lines, part) => ({
        script: `${[...lines, `${atMs} end`].join("\n")}\n`,
        expected: `${[...expected[part], "end"].join("\n")}\n`,
      })),
  };
}
