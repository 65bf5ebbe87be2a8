import { modularDesigns } from "../../demo";
import { execFileSync } from "node:child_process";
import { copyFileSync, readFileSync, readdirSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { fileURLToPath } from "node:url";
import { describe, expect, it } from "vitest";
import type { Design } from "@/core/document/schema";
import { onHalf } from "@/core/derived/halves";
import { adoptPinPlan, chooseController, clearPins } from "@/core/edits/pins";
import { planPins } from "@/core/pins/planPins";
import { artifactNamed } from "@/core/exports/registry";
import { newDesign } from "@/core/document/newDesign";
import { usb8Processor } from "../../scripts/buildFirmware.mjs";
import { finishedPad, wiredDemos } from "../support/designs";
import { STRICT, play } from "./builds";
import { boardPads, pads } from "./circuitPads";
import { chipWiring, padWiring } from "./chipWiring";
import { readExample } from "./examples";
import { firstDifference } from "./firstDifference";
import { PYTHON, onPythonClass } from "./python";
import { randomUse } from "./randomUse";
import { unpack } from "./unpack";
import { onSmallClass } from "./onSmallClass";
import { buildUsbHost, later, recordContacts, recordOnChip } from "./usbChip";

const here = (path: string) => fileURLToPath(new URL(path, import.meta.url));
const SEQUENCES = 15;
const FLASH_BYTES = 0x8000;
/** Its packets leave by a call that the builder fills in. */
const radioPad = readExample(`radio R: stuffed, with crc16, counter, keys, axes, gap 5, every 50, answers
key A: KeyA
key B: KeyB
pot P
axis P: smooth 1
lamp L: told 3
at 0 answer 00`).design;
/** Its bytes leave by the chip's own transmitter, or by a call. */
const socketPad = readExample(`socket S
key A: note 60 96
key B: note 64 96 2
pot P
use P: music controller 7
at 0 press A`).design;
const radios: [string, Design][] = [
  ["a pad with a radio", radioPad],
  ["a pad with a socket for music", socketPad],
];
const beforeTheCall = (expected: string) => expected.replace(/^\d+ radio .*\n/gm, "");

const demos = wiredDemos.map((design): [string, Design] => [design.name, design]);

function usesOf(design: Design, record = recordContacts) {
  const runs = Array.from({ length: SEQUENCES }, (_, seed) => record(design, later(randomUse(design, seed + 1, []))));
  return {
    script: runs.map(({ script }) => script).join(""),
    expected: runs.map(({ expected }) => expected).join(""),
  };
}

const make = (folder: string, ...settings: string[]) =>
  execFileSync("make", ["-C", folder, ...settings], { encoding: "utf8" });

const refusal = async (design: Design) => {
  const made = await artifactNamed("firmware-project")!.make(design);
  return made.ok ? "" : made.problems.map(({ message }) => message).join("; ");
};

/** Every circuit is read by the finished images on the chip from the same sources; here those whose tables lie in another way. */
const compiledPads = boardPads.filter(([name]) => /three banks|behind a bus/.test(name));

describe.each([...demos, ...compiledPads, ...radios])("the project of %s for the 8-bit USB class", (_, pad) => {
  it("builds by its README with nothing to write, and reports as simulated on the simulated chip", async () => {
    const design = onSmallClass(pad);
    const folder = await unpack(design, "firmware-project");
    make(folder);
    const [flash, wiring] = [join(folder, "flash.bin"), join(folder, "wiring.txt")];
    const code = join(folder, "device.bin");
    execFileSync("avr-objcopy", ["-I", "ihex", "-O", "binary", join(folder, "device.hex"), code]);
    const whole = new Uint8Array(FLASH_BYTES).fill(0xff);
    whole.set(readFileSync(code));
    writeFileSync(flash, whole);
    writeFileSync(wiring, chipWiring(design));
    const { script, expected } = usesOf(design, recordOnChip);
    const { output } = play(buildUsbHost(), [usb8Processor(), flash, wiring], script);
    expect(firstDifference(output, beforeTheCall(expected))).toBeNull();
  });
});

/** The device as a library whose port.h leads to the harness. */
function buildPort(folder: string): { library: string; padsOf: string } {
  const makefile = readFileSync(join(folder, "Makefile"), "utf8");
  const arena = /-D(OV_DEVICE_ARENA_BYTES=\d+)/.exec(makefile)![1];
  const padNames = [...readFileSync(join(folder, "port.h"), "utf8").matchAll(/#define PIN_(\w+) (\d+)/g)];
  copyFileSync(here("port/port.h"), join(folder, "port.h"));
  const library = join(folder, "device.so");
  const sources = ["src", "lines", "port"].flatMap((one) =>
    readdirSync(join(folder, one)).flatMap((file) => (file.endsWith(".c") ? [join(folder, one, file)] : [])),
  );
  const more = [join(folder, "tables.c"), join(folder, "board_block.c"), here("port/calls.c")];
  const includes = [".", "src", "lines", "port"].map((one) => `-I${join(folder, one)}`);
  const without = makefile.match(/-DOV_WITH_\w+=0/g) ?? [];
  const flags = [...STRICT, "-fPIC", "-shared", "-DOV_NO_MAIN", `-D${arena}`, ...without];
  execFileSync("gcc", [...flags, ...includes, ...sources, ...more, "-o", library]);
  return { library, padsOf: padNames.map(([, name]) => name).join(",") };
}

/** Those that are also compiled as they are; pads with one circuit each have all of their sources from these. */
const asTheyAre = new Set([...demos, ...radios].map(([name]) => name));

describe.each([...demos, ...pads, ...boardPads, ...radios])(
  "the project of %s for any other controller",
  (name, pad) => {
    const design = onPythonClass(pad);

    it("compiles, and over its dozen calls reports as simulated", async () => {
      const folder = await unpack(design, "firmware-project");
      if (asTheyAre.has(name)) make(folder, `CFLAGS=${STRICT.join(" ")}`);
      const { library, padsOf } = buildPort(folder);
      const wiring = join(folder, "wiring.txt");
      writeFileSync(wiring, padWiring(design));
      const { script, expected } = usesOf(design);
      const { output } = play(PYTHON, [here("board/run_port.py"), library, wiring, padsOf], script);
      expect(firstDifference(output, expected)).toBeNull();
      expect(expected.match(/keyboard|music/g)!.length).toBeGreaterThan(SEQUENCES);
    });
  },
);

/** Each part of a device on a class that is compiled for in its own way. */
const onOtherClasses = (design: Design): Design => {
  const chosen = design.controllers.reduce(
    (whole, { id }) => onHalf(id, (half) => chooseController(half, "dual-core-3v3-26"))(whole),
    design,
  );
  return adoptPinPlan(chosen, planPins(chosen));
};

describe("the project of a base and its modules on a bus", () => {
  it("compiles as it is for each of them, whatever their class, with the pins that its calls are about", async () => {
    const [onUsb8] = modularDesigns;
    const dunlin = onOtherClasses(onUsb8);
    const folder = await unpack(dunlin, "firmware-project");
    const port = readFileSync(join(folder, "port.h"), "utf8");
    for (const call of ["port_link", "port_calls", "port_ask", "port_call"]) expect(port).toContain(` ${call}(`);
    for (const net of ["i2c0.SCL", "modules.call", "link-far.data", "link-2-far.call"])
      expect(port).toMatch(new RegExp(`#define PIN_${dunlin.pinPlan[net].pin} \\d+`));
    for (const part of [0, 1, 2]) {
      make(folder, `PART=${part}`, `CFLAGS=${STRICT.join(" ")}`);
      make(folder, "clean");
    }
    expect(readFileSync(join(folder, "README.md"), "utf8")).toContain("`make PART=2`: Mark module.");
  });
});

describe("port.h", () => {
  it("asks for a dozen calls, and lists each pin with what is on it", async () => {
    const design = onPythonClass(finishedPad());
    const text = readFileSync(join(await unpack(design, "firmware-project"), "port.h"), "utf8");
    expect(text.match(/^static inline/gm)).toHaveLength(20);
    expect(text).toMatch(new RegExp(`#define PIN_${design.pinPlan["matrix.R1"].pin} \\d+ /\\* R1 \\*/`));
  });
});

describe("no project", () => {
  it("is made without a controller, or while a net has no pin", async () => {
    expect(await refusal(newDesign("empty", "Nothing yet"))).toMatch(/^has no controller/);
    expect(await refusal(clearPins(onPythonClass(finishedPad())))).toMatch(/has no pin of the chip for R1/);
  });
});
