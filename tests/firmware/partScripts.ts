import { REPORTS } from "@/core/contract/contract";
import type { Design } from "@/core/document/schema";
import type { Device } from "@/core/engine/device";
import type { PartWatch } from "@/core/engine/partRuntimes";
import { deviceOf } from "@/core/engine/preparedDevice";
import type { FirmwareScript } from "@/core/engine/script";
import { toHex } from "@/core/hex";

/** Writes down what each of two parts senses, hears and gives away while a device is used, as the host stand-in reads it. */
export function recordParts(design: Design, use: (device: Device) => void): [FirmwareScript, FirmwareScript] {
  const scripts: string[][] = [["0 part 0"], ["0 part 1"]];
  const expected: string[][] = [[], []];
  const both = (line: string) => scripts.forEach((lines) => lines.push(line));
  const parts: PartWatch = {
    linked: (atMs, part, bytes) => scripts[part].push(`${atMs} linked ${toHex(bytes)}`),
    setUp: (atMs, part, is) => scripts[part].push(`${atMs} setup ${is ? 1 : 0}`),
    link: (atMs, part, bytes) => expected[part].push(`${atMs} link ${toHex(bytes)}`),
    lamp: (atMs, part, line, on) => expected[part].push(`${atMs} lamp ${line} ${on ? 1 : 0}`),
    report: (atMs, part, kind, bytes) => expected[part].push(`${atMs} ${kind} ${toHex(bytes)}`),
  };
  const device = deviceOf(design, {
    parts,
    answer: (atMs, strobe, bank, word) =>
      both(`${atMs} sense ${strobe ?? "-"} ${bank} ${word.toString(16).padStart(4, "0")}`),
    level: (atMs, sensor, level) => both(`${atMs} level ${sensor} ${level.toString(16)}`),
    edge: (atMs, encoder, state) => both(`${atMs} edge ${encoder} ${state}`),
    shares: (kinds) => both(`0 shares ${kinds.map((kind) => REPORTS[kind].number).join(" ")}`),
  });
  use(device);
  return [0, 1].map((part) => ({
    script: `${[...scripts[part], `${device.nowMs} end`].join("\n")}\n`,
    expected: `${[...expected[part], "end"].join("\n")}\n`,
  })) as [FirmwareScript, FirmwareScript];
}
