import { readFileSync, readdirSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { describe, expect, it } from "vitest";
import { demoDesigns } from "@demo/index";
import { newDesign } from "@/core/document/newDesign";
import type { Design } from "@/core/document/schema";
import { padPortOf } from "@/core/firmware/padPort";
import { edgeEncoders } from "@/core/firmware/edgeEncoders";
import { scanTableOf } from "@/core/firmware/scanTable";
import { clearPins } from "@/core/edits/pins";
import { recordScript, recordScripts } from "@/core/engine/script";
import { readDesignText } from "@/core/formats/readDesignText";
import { artifactNamed } from "@/core/exports/registry";
import { finishedPad, wiredDemos } from "../support/designs";
import { behaviourExamples, readExample } from "./examples";
import { firstDifference } from "./firstDifference";
import { barePython, onBoard, onPythonClass, playPython, runPython, unpackPython } from "./python";
import { randomUse } from "./randomUse";

/** Random sequences for each demo; the first of those of the builds in C. */
const SEQUENCES = 300;

const refusal = async (design: Design) => {
  const made = await artifactNamed("firmware-python")!.make(design);
  return made.ok ? "" : made.problems.map(({ message }) => message).join("; ");
};

describe.each(wiredDemos.map((design) => onPythonClass(design)))("$name in Python", (design) => {
  it(`reports the same bytes at the same millisecond in ${SEQUENCES} random sequences`, async () => {
    const runs = Array.from({ length: SEQUENCES }, (_, seed) => recordScript(design, randomUse(design, seed + 1)));
    const all = runs.map((run) => {
      if (!run.ok) throw new Error(JSON.stringify(run.problems));
      return run.value;
    });
    const folder = await unpackPython(design);
    const { output } = playPython(folder, all.map(({ script }) => script).join(""));
    const expected = all.map((run) => run.expected).join("");
    expect(firstDifference(output, expected)).toBeNull();
    expect(expected.split("\n").length).toBeGreaterThan(5 * SEQUENCES);
  });

  it("says on this computer that it reports as simulated, and what differs when it does not", async () => {
    const folder = await unpackPython(design);
    const check = ["play.py", "demo.txt", "expected.txt"];
    expect(runPython(folder, ...check)).toBe("as simulated\n");
    const expected = readFileSync(join(folder, "expected.txt"), "utf8");
    writeFileSync(join(folder, "expected.txt"), expected.replace(/keyboard|music/, "consumer"));
    expect(() => runPython(folder, ...check)).toThrow(/line \d+: reports "\d+ (keyboard|music)/);
  });

  it("holds the design itself, and no built-in module outside its one file", async () => {
    const folder = await unpackPython(design);
    const text = (name: string) => readFileSync(join(folder, name), "utf8");
    expect(readDesignText(text("design.ovrin.json"))).toEqual({ ok: true, value: design });
    const builtIn = /^(?:import|from) (?!device|plan|tables|hardware)(\w+)/gm;
    for (const name of ["boot.py", "code.py", "plan.py", "tables.py", "device/runtime.py", "device/scan.py"])
      expect([...text(name).matchAll(builtIn)]).toEqual([]);
    expect([...text("hardware.py").matchAll(builtIn)].length).toBeGreaterThan(3);
  });
});

/** Python reads its knobs once a scan: no class that runs it has their edges told. */
const isSampled = ({ body }: { body: string }) => {
  const { design } = readExample(body);
  // A pad port's clock is too quick for it: such a design is refused.
  if (padPortOf(design)) return false;
  return edgeEncoders(design, scanTableOf(design)).length === 0;
};

describe("docs/device-behaviour.md in Python", () => {
  it.each(behaviourExamples.filter(isSampled))("$title", async ({ body }) => {
    const { design, events, untilMs } = readExample(body);
    const run = recordScripts(design, { events, untilMs });
    if (!run.ok) throw new Error(JSON.stringify(run.problems));
    const folder = await barePython(design);
    for (const { script, expected } of run.value)
      expect(firstDifference(playPython(folder, script).output, expected)).toBeNull();
  });
});

describe("the interfaces that boot.py declares", () => {
  const factsOf = async (design: Design) =>
    onBoard(design, await unpackPython(design), "5 end\n", "facts").output.split("\n");

  it("name the maker, and tell several reports apart by a number", async () => {
    const [, identity, boot, ...devices] = await factsOf(onPythonClass(finishedPad()));
    expect(identity).toBe("identity Own make Pad 61680 1");
    expect(boot).toBe("boot 0");
    expect(devices.slice(0, 2).map((line) => line.split(" ").slice(0, 6).join(" "))).toEqual([
      "device 1 6 1 8 1",
      "device 12 1 2 2 0",
    ]);
    // A report id is the item 85 (USB HID 1.11, section 6.2.2.7), directly after the collection is opened.
    expect(devices[0]).toContain("a1018501");
    expect(devices[1]).toContain("a1018502");
  });

  it("leave a keyboard alone without a number, for a computer's start-up screen", async () => {
    const pad = onPythonClass(finishedPad());
    const alone = { ...pad, reportSet: { ...pad.reportSet, interfaces: ["keyboard" as const] } };
    const [, , boot, device] = await factsOf(alone);
    expect(boot).toBe("boot 1");
    expect(device).toMatch(/^device 1 6 0 8 1 05010906a10175/);
  });
});

describe("a computer with its moods", () => {
  const onPad = async (script: string) => {
    const design = onPythonClass(finishedPad());
    return onBoard(design, await unpackPython(design), script).output;
  };
  const closed = "20 contact 0 1\n";

  it("that takes no report is told later", async () => {
    const told = await onPad(`${closed}90 end\n`);
    const report = /^25 (keyboard .*)$/m.exec(told)![1];
    expect(await onPad(`10 busy 1\n${closed}60 busy 0\n90 end\n`)).toBe(`60 ${report}\nend\n`);
  });

  it("that comes back is told again what is held", async () => {
    const told = await onPad(`${closed}50 host 0\n70 host 1\n90 end\n`);
    const report = /^25 (keyboard .*)$/m.exec(told)![1];
    expect(told).toBe(`25 ${report}\n70 ${report}\nend\n`);
  });
});

describe("pins", () => {
  it("of a class whose names are not known stand as they are on the mat", async () => {
    const design = onPythonClass(finishedPad(), "chip-3v3-64");
    const plan = readFileSync(join(await unpackPython(design), "plan.py"), "utf8");
    expect(plan).toContain(`("${design.pinPlan["matrix.R1"].pin}", False),  # R1`);
  });

  it("go by the chip's ports of 32 on the wireless class", async () => {
    const design = onPythonClass(finishedPad(), "wireless-3v3-20");
    const folder = await unpackPython(design);
    const pads = Object.values(design.pinPlan).map(({ pin }) => Number(pin.slice(1)));
    const names = [...readFileSync(join(folder, "plan.py"), "utf8").matchAll(/"P(\d)_(\d\d)"/g)];
    expect(names.map(([, port, bit]) => 32 * Number(port) + Number(bit)).sort()).toEqual(pads.sort());
    expect(onBoard(design, folder, "5 end\n").output).toBe("end\n");
  });
});

describe("tables that cannot be trusted", () => {
  it.each([
    ["torn", 40, /the tables are torn/],
    ["of another version", 2, /of another version/],
    ["no tables", 0, /there are no tables/],
  ])("%s: the device says so and stays quiet", async (_, at, words) => {
    const folder = await unpackPython(onPythonClass(finishedPad()));
    writeFileSync(
      join(folder, "tables.py"),
      `${readFileSync(join(folder, "tables.py"), "utf8")}\nTABLES = TABLES[:${at}] + bytes([TABLES[${at}] ^ 1]) + TABLES[${at + 1}:]\n`,
    );
    expect(() => runPython(folder, "play.py", "demo.txt")).toThrow(words);
  });
});

describe("no Python archive", () => {
  it("is made for a class that runs none, and the class is named", async () => {
    expect(await refusal(demoDesigns.find(({ id }) => id === "kestrel")!)).toMatch(
      /^has the .*, which runs no Python$/,
    );
    expect(await refusal(newDesign("empty", "Nothing yet"))).toMatch(/^has no controller/);
  });

  it("is made while a net has no pin, each named once", async () => {
    const message = await refusal(clearPins(onPythonClass(finishedPad())));
    expect(message.match(/has no pin for R1; share out the pins first/g)).toHaveLength(1);
  });

  it("is made without a report", async () => {
    const pad = onPythonClass(finishedPad());
    expect(await refusal({ ...pad, reportSet: { ...pad.reportSet, interfaces: [] } })).toMatch(/^declares no report/);
  });
});

describe("words of a person in the files", () => {
  it.each(['"""', "\\", 'a"b', "'''", "line\nbreak", "\u2028", "🪶 #"])("cannot break them: %j", async (words) => {
    const pad = onPythonClass(finishedPad());
    const design = {
      ...pad,
      name: words,
      reportSet: { ...pad.reportSet, maker: words, productName: words },
      controls: pad.controls.map((control) => ({ ...control, label: words })),
    };
    const folder = await unpackPython(design);
    expect(runPython(folder, "play.py", "demo.txt", "expected.txt")).toBe("as simulated\n");
    expect(onBoard(design, folder, "5 end\n").output).toBe("end\n");
  });
});

describe("the page that goes with the files", () => {
  it.each(wiredDemos.map((design): [string, Design] => [design.name, design]))(
    "names every file of %s that the board wants, so that none is left behind",
    async (_, design) => {
      const folder = await unpackPython(onPythonClass(design));
      const page = readFileSync(join(folder, "README.md"), "utf8");
      const copied = page.slice(page.indexOf("\n4. Copy"), page.indexOf("\n5. "));
      const files = readdirSync(folder).filter((name) => name.endsWith(".py") && name !== "play.py");
      expect(files.filter((name) => !copied.includes(`\`${name}\``))).toEqual([]);
      expect(copied.includes("one function is yours")).toBe(design.id === "kestrel");
    },
  );
});
