import { describe, expect, it } from "vitest";
import { demoDesigns } from "../../demo";
import { buildAvr, buildNative, buildSimulator, play, workFolder } from "./builds";
import { everyContactOnce } from "./everyContactOnce";

/** One millisecond of a 16 MHz core. */
const CYCLES_A_MS = 16_000;
const AT_ONCE = 20;

describe("Pins read one by one on an 8-bit core", () => {
  const simulator = buildSimulator();

  for (const id of ["kestrel", "loom-64", "tern"])
    it(`${id}: a scan with ${AT_ONCE} contacts changing fits a millisecond, and reports what this computer's build does`, () => {
      const design = demoDesigns.find((demo) => demo.id === id)!;
      const script = everyContactOnce(design, AT_ONCE);
      const own = workFolder();
      const most = (pins: "free" | "one-by-one") => {
        const run = play(simulator, [buildAvr(design, own, pins).binary], script);
        return { output: run.output, cycles: Number(/most (\d+)/.exec(run.notes)![1]) };
      };
      const slow = most("one-by-one");
      expect(slow.cycles).toBeLessThan(CYCLES_A_MS);
      // What reading the pins costs is there, and is more than a bank read for nothing.
      expect(slow.cycles).toBeGreaterThan(most("free").cycles + 300);
      expect(slow.output).toBe(play(buildNative("gcc", design, own), [], script).output);
      expect(slow.output.match(/ keyboard /g)!.length).toBeGreaterThan(1);
    });
});
