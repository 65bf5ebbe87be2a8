import { execFileSync, spawnSync } from "node:child_process";
import { mkdirSync, mkdtempSync, readdirSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { fileURLToPath } from "node:url";
import { builtOnce, objectsOf } from "./builtOnce";
import type { Design } from "@/core/document/schema";
import { tablesSource } from "@/core/targets/archiveFiles";
import { featuresOf, withoutFlags } from "@/core/firmware/features";
import { scanTableOf } from "@/core/firmware/scanTable";

const firmware = fileURLToPath(new URL("../../firmware", import.meta.url));

/** Every build takes the strictest common warnings, and warnings are errors. */
export const STRICT = ["-std=c99", "-Wall", "-Wextra", "-Wpedantic", "-Werror"];

export const runtimeSources = readdirSync(join(firmware, "src"))
  .filter((name) => name.endsWith(".c"))
  .map((name) => join(firmware, "src", name));

const includes = [`-I${join(firmware, "src")}`, `-I${join(firmware, "hal/avr_sim")}`];

/** Last place of RAM of the simulated 8-bit class: 2 KiB from 0x100. */
const RAM_END = "0x8ff";

export const workFolder = (): string => mkdtempSync(join(tmpdir(), "ovrin-firmware-"));

function writeTables(design: Design, folder: string): string {
  mkdirSync(folder, { recursive: true });
  const path = join(folder, "tables.c");
  writeFileSync(path, tablesSource(scanTableOf(design), design));
  return path;
}

/** The device for this computer. @returns the program's path */
export function buildNative(compiler: "gcc" | "clang", design: Design, folder: string): string {
  const program = join(folder, `device-${compiler}`);
  const how = [...STRICT, "-O2", ...includes];
  const runtime = objectsOf(compiler, how, [...runtimeSources, join(firmware, "hal/host/hal_host.c")]);
  execFileSync(compiler, [...how, ...runtime, writeTables(design, folder), "-o", program]);
  return program;
}

export interface AvrImage {
  binary: string;
  flashBytes: number;
  ramBytes: number;
}

/**
 * The device for a bare 8-bit core with 2 KiB RAM.
 * @param pins whether its lines are read pin by pin, as on a board, or all at once for nothing
 */
export function buildAvr(design: Design, folder: string, pins: "free" | "one-by-one" = "free"): AvrImage {
  const elf = join(folder, "device.elf");
  const binary = join(folder, "device.bin");
  const start = join(folder, "start.o");
  const assembler = ["-c", `-Wa,--defsym,OV_RAM_END=${RAM_END}`, join(firmware, "hal/avr_sim/start.S"), "-o", start];
  execFileSync("avr-gcc", ["-mmcu=avr5", ...assembler]);
  const link = ["-nostartfiles", "-Wl,--section-start=.data=0x800100", start];
  const lines = pins === "free" ? [] : [`-DOV_PIN_LINES=${scanTableOf(design).senseLines.length}`];
  const without = withoutFlags(featuresOf(design, scanTableOf(design)));
  const how = ["-mmcu=avr5", "-O2", "-flto", ...STRICT, ...lines, ...without, ...includes];
  const runtime = objectsOf("avr-gcc", how, [...runtimeSources, join(firmware, "hal/avr_sim/hal_avr_sim.c")]);
  execFileSync("avr-gcc", [...how, ...runtime, writeTables(design, folder), ...link, "-o", elf]);
  execFileSync("avr-objcopy", ["-O", "binary", elf, binary]);
  const [text, data, bss] = execFileSync("avr-size", [elf], { encoding: "utf8" })
    .split("\n")[1]
    .trim()
    .split(/\s+/)
    .map(Number);
  return { binary, flashBytes: text + data, ramBytes: data + bss };
}

/** The simulator's own program, which answers the image's pins. */
export function buildSimulator(): string {
  const source = join(firmware, "hal/avr_sim/run.c");
  return join(
    builtOnce("gcc", [...STRICT, "-O2", ...includes, source, "-o", "run-avr", "-lsimavr", "-lelf"]),
    "run-avr",
  );
}

export interface Run {
  output: string;
  notes: string;
}

export function play(program: string, parameters: string[], script: string): Run {
  const run = spawnSync(program, parameters, { input: script, encoding: "utf8", maxBuffer: 1 << 28 });
  if (run.status !== 0) throw new Error(`${program} ended with ${run.status}: ${run.stderr}`);
  return { output: run.stdout, notes: run.stderr };
}
