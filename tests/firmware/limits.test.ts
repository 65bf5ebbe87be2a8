import { execFileSync } from "node:child_process";
import { readFileSync } from "node:fs";
import { join } from "node:path";
import { describe, expect, it } from "vitest";
import { RUNTIME_COMPILER, RUNTIME_SOURCE_DIGEST, RUNTIME_WASM_HEX } from "@/core/engine/runtimeWasm.generated";
import { usb8Images } from "@/core/image/usb8Images";
import { IMAGE_VARIABLE_BYTES } from "@/core/image/usb8Memory.generated";
import { IMAGE_CODE_HEX, IMAGE_COMPILER, IMAGE_SOURCE_DIGEST } from "@/core/image/usb8Image.generated";
import {
  compileUsb8,
  compileWasm,
  compilerVersion,
  contractHeader,
  firstLine,
  imageDigest,
  sourceDigest,
} from "../../scripts/buildFirmware.mjs";
import { STRICT, buildAvr, buildSimulator, play, runtimeSources, workFolder } from "./builds";
import { everyKeyOnce, keyboard64 } from "./keyboard64";

const include = `-I${join(runtimeSources[0], "..")}`;

/** The runtime as assembler for the 8-bit core, where anything that is not 8-bit arithmetic is a named call. */
function assembler(path: string): string {
  const out = join(workFolder(), "part.s");
  execFileSync("avr-gcc", ["-mmcu=avr5", "-Os", ...STRICT, include, "-S", path, "-o", out]);
  return readFileSync(out, "utf8");
}

/** Which function calls which, from the compiler's own call graph lines in the assembler. */
function callsOf(text: string): Map<string, string[]> {
  const calls = new Map<string, string[]>();
  let current = "";
  for (const line of text.split("\n")) {
    const label = /^(\w+):$/.exec(line);
    if (label && !label[1].startsWith(".")) current = label[1];
    const call = /^\s+r?(?:call|jmp) (\w+)$/.exec(line);
    if (call && current) calls.set(current, [...(calls.get(current) ?? []), call[1]]);
  }
  return calls;
}

function reaches(calls: Map<string, string[]>, from: string, to: string, seen = new Set<string>()): boolean {
  return (calls.get(from) ?? []).some((next) => {
    if (next === to) return true;
    if (seen.has(next)) return false;
    seen.add(next);
    return reaches(calls, next, to, seen);
  });
}

describe("the runtime's promises", () => {
  const texts = runtimeSources.map(assembler);
  const calls = new Map(texts.flatMap((text) => [...callsOf(text)]));

  it("finds the calls it judges by", () => expect(reaches(calls, "ov_scan", "ov_hal_report")).toBe(true));

  it("has no floating point and no heap", () => {
    const called = new Set([...calls.values()].flat());
    const forbidden = [...called].filter((name) => /^__.*[sd]f|^__(fix|float)|malloc|calloc|free/.test(name));
    expect(forbidden).toEqual([]);
  });

  it("has no recursion", () => {
    expect([...calls.keys()].filter((name) => reaches(calls, name, name))).toEqual([]);
  });
});

describe("keyboard of 64 keys and 8 layers on a 16 MHz 8-bit core", () => {
  it("scans in under a millisecond with 20 keys changing, in under 576 bytes RAM and 20 KiB flash", () => {
    const folder = workFolder();
    const image = buildAvr(keyboard64(8), folder);
    const { notes } = play(buildSimulator(), [image.binary], everyKeyOnce(20));
    const most = Number(/most (\d+)/.exec(notes)![1]);
    expect(most).toBeGreaterThan(500);
    expect(most).toBeLessThan(16_000);
    expect(image.ramBytes).toBeLessThan(576);
    expect(image.flashBytes).toBeLessThan(20 * 1024);
  });
});

describe("the committed WebAssembly module", () => {
  it("is stamped with the sources as they are", () => expect(RUNTIME_SOURCE_DIGEST).toBe(sourceDigest()));
  it.skipIf(RUNTIME_COMPILER !== compilerVersion())("is what the recorded compiler makes of them", () =>
    expect(RUNTIME_WASM_HEX).toBe(compileWasm().toString("hex")),
  );
});

const SHARES = 8;

describe("the committed code of the finished image", () => {
  it("is stamped with the sources as they are", () => expect(IMAGE_SOURCE_DIGEST).toBe(imageDigest()));
  it.skipIf(IMAGE_COMPILER !== firstLine("avr-gcc"))("is what the recorded compiler makes of them", () => {
    // All of them take minutes: the sources' digest chooses an eighth, another one with every change.
    const first = parseInt(IMAGE_SOURCE_DIGEST.slice(0, 8), 16) % SHARES;
    const own = usb8Images.filter((_, nth) => nth % SHARES === first);
    expect(own.length).toBeGreaterThan(4);
    for (const one of own) {
      const { bytes, variables } = compileUsb8(one);
      expect(IMAGE_CODE_HEX[one.id] === bytes.toString("hex"), one.id).toBe(true);
      expect(IMAGE_VARIABLE_BYTES[one.id]).toBe(variables);
    }
  });
  it("is there for each image, and for no other", () => {
    const ids = usb8Images.map(({ id }) => id);
    expect(Object.keys(IMAGE_CODE_HEX)).toEqual(ids);
    expect(Object.keys(IMAGE_VARIABLE_BYTES)).toEqual(ids);
  });
});

describe("the device contract", () => {
  it("stands in C as it is written", async () =>
    expect(readFileSync(join(runtimeSources[0], "../contract.h"), "utf8")).toBe(await contractHeader()));
});
