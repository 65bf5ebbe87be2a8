import { withLive } from "./liveUse";
import { execFileSync, spawnSync } from "node:child_process";
import { writeFileSync } from "node:fs";
import { join } from "node:path";
import { describe, expect, it } from "vitest";
import { AT, START } from "@/core/contract/contract";
import { crc16 } from "@/core/contract/crc16";
import { startRuntime } from "@/core/engine/runtime";
import { arenaNeed } from "@/core/firmware/capacity";
import { scanTableOf } from "@/core/firmware/scanTable";
import { tableBytes } from "@/core/firmware/tables";
import { wiredDemos } from "../support/designs";
import { STRICT, runtimeSources, workFolder } from "./builds";
import { readExample } from "./examples";

const { design } = readExample(`key A: KeyA
at 0 press A
gives`);
const good = tableBytes(scanTableOf(design), design);

/** Starts the runtime on a block and presses its key: what it answers at the start, and what it reports. */
function tried(bytes: Uint8Array): { started: number; reports: number } {
  let reports = 0;
  const runtime = startRuntime(bytes, {
    report: () => (reports += 1) > 0,
    lamp: () => {},
    lights: () => {},
  });
  runtime.answers[0] = 0xfffe;
  for (let ms = 0; ms < 20; ms++) runtime.scan(1);
  runtime.hostReset();
  return { started: runtime.started, reports };
}

const changed = (at: number, value: number) => {
  const bytes = good.slice();
  bytes[at] = value;
  return bytes;
};

/** The same with a CRC that is right again, so that only the changed byte can be told. */
function sealed(bytes: Uint8Array): Uint8Array {
  const crc = crc16(bytes.slice(0, -2));
  bytes[bytes.length - 2] = crc & 0xff;
  bytes[bytes.length - 1] = crc >> 8;
  return bytes;
}

describe("tables that cannot be trusted", () => {
  it("are told from good ones, which work", () => expect(tried(good)).toEqual({ started: START.READY, reports: 1 }));

  it.each([
    ["blank flash", new Uint8Array(64).fill(0xff), START.NO_TABLES],
    ["nothing", new Uint8Array(64), START.NO_TABLES],
    ["another mark", sealed(changed(0, 0x50)), START.NO_TABLES],
    ["an older version", sealed(changed(AT.VERSION, 1)), START.OTHER_VERSION],
    ["a length of nothing", sealed(changed(AT.LENGTH, 0)), START.TORN],
    ["a torn end", new Uint8Array([...good.slice(0, -8), 0xff, 0xff, 0xff, 0xff, 0xff, 0xff, 0xff, 0xff]), START.TORN],
  ])("leave the device quiet: %s", (_what, bytes, started) => expect(tried(bytes)).toEqual({ started, reports: 0 }));

  it("leave it quiet whichever single bit has flipped", () => {
    for (let bit = 0; bit < good.length * 8; bit++) {
      const bytes = good.slice();
      bytes[bit >> 3] ^= 1 << (bit & 7);
      expect({ bit, ...tried(bytes) }).toMatchObject({ bit, reports: 0 });
      expect(tried(bytes).started).not.toBe(START.READY);
    }
  });
});

/** A small C program around the runtime: starts it with an arena of a given size and prints what is told. */
const HARNESS = `#include <stdio.h>
#include <string.h>
#include "ovrin.h"
#include "parts.h"
#include "tables.h"
#include "block.h"
static uint8_t guarded[2 * ARENA_WORDS + 16];
uint16_t ov_arena[ARENA_WORDS + 8];
const uint16_t ov_arena_bytes = 2 * ARENA_WORDS;
void ov_hal_catch(void) {}
void ov_hal_strobe(uint8_t l) { (void)l; }
void ov_hal_release(uint8_t l) { (void)l; }
void ov_hal_settle(uint8_t us) { (void)us; }
uint16_t ov_hal_read(uint8_t b) { (void)b; return 0; }
void ov_hal_lamp(uint8_t l, uint8_t on) { (void)l; (void)on; }
void ov_hal_lights(uint8_t c, const uint8_t *b, uint16_t n) { (void)c; (void)b; (void)n; }
void ov_hal_display(uint8_t d, const uint8_t *b, uint8_t n) { (void)d; (void)b; (void)n; }
void ov_hal_din(const uint8_t *b, uint8_t n) { (void)b; (void)n; }
uint8_t ov_hal_part(void) { return 0; }
void ov_hal_link(const uint8_t *b, uint8_t n) { (void)b; (void)n; }
uint8_t ov_hal_calls(void) { return 0; }
void ov_hal_ask(uint8_t p) { (void)p; }
void ov_hal_call(void) {}
uint8_t ov_hal_radio(const uint8_t *b, uint8_t n) { (void)b; (void)n; return 1; }
void ov_hal_segments(uint8_t c, const uint8_t *b, uint8_t n) { (void)c; (void)b; (void)n; }
uint16_t ov_hal_sense(uint8_t s) { (void)s; return 0; }
uint8_t ov_hal_report(uint8_t k, const uint8_t *b, uint8_t n) { (void)k; (void)b; (void)n; return 1; }
uint8_t ov_hal_kept(uint16_t at) { (void)at; return 0xFF; }
uint8_t ov_hal_keeping(void) { return 0; }
uint8_t ov_hal_keep(uint16_t at, uint8_t byte) { (void)at; (void)byte; return OV_KEEP_TAKEN; }
int main(void) {
  unsigned i, spoilt = 0;
  uint8_t *bytes = (uint8_t *)ov_arena;
  (void)guarded;
  memset(ov_arena, 0xA5, sizeof ov_arena);
  printf("%u ", ov_init());
  for (i = 0; i < 300; i++) ov_scan(1);
  for (i = 2 * ARENA_WORDS; i < sizeof ov_arena; i++) spoilt += bytes[i] != 0xA5;
  printf("%u %u\\n", ov_arena_need(), spoilt);
  return 0;
}
`;

function withArena(
  words: number,
  block: Uint8Array,
  flags: string[] = [],
): { started: number; need: number; spoilt: number } {
  const folder = workFolder();
  writeFileSync(join(folder, "harness.c"), HARNESS);
  writeFileSync(
    join(folder, "block.h"),
    `#define ARENA_WORDS ${words}\nconst uint8_t ov_tables[] = {${[...block].join(",")}};\n`,
  );
  const program = join(folder, "harness");
  const sources = [...runtimeSources, join(folder, "harness.c")];
  execFileSync("gcc", [
    ...STRICT,
    ...flags,
    `-I${join(runtimeSources[0], "..")}`,
    `-I${folder}`,
    ...sources,
    "-o",
    program,
  ]);
  const [started, need, spoilt] = spawnSync(program, { encoding: "utf8" }).stdout.trim().split(" ").map(Number);
  return { started, need, spoilt };
}

describe.each(wiredDemos)("the arena of $name", (demo) => {
  const plan = scanTableOf(demo);
  const need = arenaNeed(plan, demo);
  const block = tableBytes(plan, demo);

  it("needs what the formula says, in C as in TypeScript, and is not overrun with every contact closed", () => {
    expect(withArena(Math.ceil(need / 2), block)).toEqual({ started: START.READY, need, spoilt: 0 });
  });

  it("is refused when two bytes are missing", () => {
    expect(withArena(Math.ceil(need / 2) - 1, block)).toMatchObject({ started: START.NO_ROOM, spoilt: 0 });
  });
});

describe("firmware that is compiled without something", () => {
  const kestrel = wiredDemos.find(({ id }) => id === "kestrel")!;
  const block = tableBytes(scanTableOf(kestrel), kestrel);
  const started = (...flags: string[]) => withArena(4096, block, flags).started;

  it("stays quiet on tables that want it, and on no others", () => {
    expect(started("-DOV_WITH_LIGHTS=0")).toBe(START.NO_PART);
    expect(started("-DOV_WITH_POINTER=0")).toBe(START.NO_PART);
    expect(started("-DOV_WITH_LIVE=0")).toBe(START.READY);
    const live = withLive(kestrel);
    const talking = tableBytes(scanTableOf(live), live);
    expect(withArena(4096, talking, ["-DOV_WITH_LIVE=0"]).started).toBe(START.NO_PART);
    expect(withArena(4096, talking).started).toBe(START.READY);
  });
});
