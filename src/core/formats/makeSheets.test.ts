import { describe, expect, it } from "vitest";
import { demoDesigns, modularDesigns, variantDesigns } from "@demo/index";
import { assemblyOf } from "../assembly/assembly";
import type { Design } from "../document/schema";
import { newDesign } from "../document/newDesign";
import { noteStep, stepDone } from "../edits/build";
import { partsList } from "../purchase/partsList";
import { wiresByHand } from "../wires/wiresByHand";
import { artifactNamed } from "../exports/registry";

const all = [...demoDesigns, ...variantDesigns, ...modularDesigns];

async function textOf(design: Design, id: string): Promise<string> {
  const made = await artifactNamed(id)!.make(design);
  if (!made.ok) throw new Error(JSON.stringify(made.problems));
  return new TextDecoder().decode(made.value.bytes);
}

const count = (text: string, pattern: RegExp) => (text.match(pattern) ?? []).length;

describe.each(all.map((design): [string, Design] => [design.name, design]))("the papers of %s", (_, design) => {
  it("have every step with its picture, and every wire of it with a place to tick", async () => {
    const sheet = await textOf(design, "steps-sheet");
    const { steps } = assemblyOf(design);
    expect(count(sheet, /<section>/g)).toBe(steps.length);
    expect(count(sheet, /<h2>☐ \d+\. /g)).toBe(steps.length);
    expect(count(sheet, /<tr><td>☐<\/td>/g)).toBe(wiresByHand(design).length);
    expect(count(sheet, /<svg /g)).toBe(steps.length);
    expect(sheet).not.toMatch(/undefined|NaN/);
  });

  it("have a label for each line of the parts list and a flag for each wire", async () => {
    const labels = await textOf(design, "labels-sheet");
    expect(count(labels, /<div><span class="count">/g)).toBe(partsList(design).length);
    expect(count(labels, /<div><b>/g)).toBe(wiresByHand(design).length);
    expect(labels).not.toMatch(/undefined|NaN/);
  });
});

describe("step sheets", () => {
  const kestrel = demoDesigns[0];
  const { steps } = assemblyOf(kestrel);

  it("tell what is done and noted, and no sign of the page's language gets through", async () => {
    const wired = steps.find(({ wires }) => wires.length > 0)!;
    const hostile = noteStep(
      stepDone({ ...kestrel, name: "<img src=x>" }, wired, 3),
      steps[0].id,
      "<script>1</script>",
    );
    const sheet = await textOf(hostile, "steps-sheet");
    expect(count(sheet, /<h2>☑/g)).toBe(1);
    expect(count(sheet, /<tr><td>☑<\/td>/g)).toBe(wired.wires.length);
    expect(sheet).toContain("&lt;script&gt;1&lt;/script&gt;");
    expect(sheet).not.toMatch(/<img|<script/);
  });

  it("show the piece as it lies: from behind left and right change places", async () => {
    const sheet = await textOf(kestrel, "steps-sheet");
    const parts = sheet.split("<section>").slice(1);
    const textsOf = (nth: number) =>
      [...parts[nth].matchAll(/<text x="(-?[\d.]+)"[^>]*>([^<]+)</g)].map(([, x, words]) => ({ x: Number(x), words }));
    const far = kestrel.controls.reduce((a, b) => (Math.abs(b.placement.xMm) > Math.abs(a.placement.xMm) ? b : a));
    expect(Math.abs(far.placement.xMm)).toBeGreaterThan(10);
    const faces = new Set<string | null>();
    for (const [nth, step] of steps.entries()) {
      const [only] = textsOf(nth).filter(({ words }) => words === far.label);
      if (!only) continue;
      faces.add(step.face);
      const { xMm } = far.placement;
      expect(only.x, step.title).toBeCloseTo(step.face === "back" ? -xMm : xMm, 1);
    }
    expect([...faces]).toEqual(expect.arrayContaining(["front", "back"]));
  });

  it("refuse a design with nothing in it, in words", async () => {
    const empty = newDesign("empty", "Empty");
    for (const id of ["steps-sheet", "labels-sheet"]) {
      const made = await artifactNamed(id)!.make(empty);
      expect(made.ok).toBe(false);
    }
  });
});
