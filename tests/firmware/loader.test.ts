import { execFile, spawn } from "node:child_process";
import { writeFileSync } from "node:fs";
import { join } from "node:path";
import { fileURLToPath } from "node:url";
import { promisify } from "node:util";
import { describe, expect, it } from "vitest";
import { flashImage } from "@/core/image/flashImage";
import { intelHex } from "@/core/image/intelHex";
import { usb8Code } from "@/core/image/usb8Code";
import { StandInLoader } from "@/core/loader/standInLoader";
import { usb8Processor } from "../../scripts/buildFirmware.mjs";
import { finishedPad } from "../support/designs";
import { workFolder } from "./builds";
import { PYTHON } from "./python";
import { onSmallClass } from "./onSmallClass";

const BRIDGE = fileURLToPath(new URL("terminal.py", import.meta.url));

/** The stand-in loader on a pseudo-terminal, for as long as the work on it takes. */
async function onTerminal<T>(loader: StandInLoader, work: (terminal: string) => Promise<T>): Promise<T> {
  const bridge = spawn(PYTHON, [BRIDGE]);
  bridge.stdout.on("data", (bytes: Buffer) => bridge.stdin.write(loader.hear(bytes)));
  const name = await new Promise<string>((resolve) =>
    bridge.stderr.once("data", (line: Buffer) => resolve(line.toString().trim())),
  );
  try {
    return await work(name);
  } finally {
    bridge.stdin.end();
  }
}

/** Debian's general serial programmer; the protocol is the application note's of the chip's maker. */
const programmer = (terminal: string, ...orders: string[]) =>
  promisify(execFile)("avrdude", ["-c", "avr109", "-p", usb8Processor(), "-P", terminal, "-b", "57600", ...orders]);

describe("Debian's general serial programmer", () => {
  const design = onSmallClass(finishedPad());
  const image = flashImage(design, usb8Code(design));
  const parts = image.ok ? image.value.parts : [];
  const hex = join(workFolder(), "pad.hex");
  writeFileSync(hex, intelHex(parts));

  it("writes the exported image through the stand-in loader, and verifies it", async () => {
    const loader = new StandInLoader();
    const { stderr } = await onTerminal(loader, (name) => programmer(name, "-D", "-e", "-U", `flash:w:${hex}:i`));
    expect(stderr).toMatch(/bytes of flash verified/);
    const expected = new Uint8Array(loader.flash.length).fill(0xff);
    for (const { at, bytes } of parts) expected.set(Array.from(bytes), at);
    expect(Buffer.compare(loader.flash, expected)).toBe(0);
    expect(loader.isStarted).toBe(true);
  });

  it("finds a byte that the stand-in's flash does not keep", async () => {
    const loader = new StandInLoader({ wornAt: 3 });
    const failing = onTerminal(loader, (name) => programmer(name, "-D", "-U", `flash:w:${hex}:i`));
    await expect(failing).rejects.toThrow(/verif/);
  });
});
