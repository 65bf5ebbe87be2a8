import { beforeAll, describe, expect, it } from "vitest";
import { demoDesigns, shelfDesigns, variantDesigns } from "../../../demo";
import { derive } from "../derived/derive";
import { readDesign } from "../document/readDesign";
import { bringInlineRuntime } from "../engine/inlineRuntime";
import { simulate } from "../engine/simulate";
import { findingsOf } from "../findings/check";
import { firmwareFits } from "../formats/firmwareFit";
import { conductorsAcross } from "../wires/across";

beforeAll(bringInlineRuntime);

describe.each(variantDesigns)("$name, a demo built in another way", (variant) => {
  const original = demoDesigns.find(({ id }) => variant.id.startsWith(`${id}-`))!;

  it("stands behind the one that it is built like, can be read, and no rule has anything to say", () => {
    const ids = shelfDesigns.map(({ id }) => id);
    expect(ids.indexOf(variant.id)).toBe(ids.indexOf(original.id) + 1);
    expect(readDesign(JSON.parse(JSON.stringify(variant))).ok).toBe(true);
    expect(findingsOf(variant)).toEqual([]);
  });

  it("types what that one types, whichever part is plugged in", () => {
    const switches = [...derive(original).elements.values()].filter(({ kind }) => kind === "switch");
    const events = switches.flatMap(({ id, controlId }, nth) => [
      { atMs: 60 + 100 * nth, action: "press" as const, control: controlId, end: id },
      { atMs: 100 + 100 * nth, action: "release" as const, control: controlId, end: id },
    ]);
    const untilMs = 300 + 100 * switches.length;
    const typed = (design: typeof original, part: number | null) => {
      const plug = part === null ? [] : [{ atMs: 5, action: "plug-in" as const, part: part + 1 }];
      const run = simulate(design, { events: [...plug, ...events], untilMs });
      if (!run.ok) throw new Error(JSON.stringify(run.problems));
      return run.value.text;
    };
    const wanted = typed(original, null);
    expect(wanted.length).toBeGreaterThan(20);
    expect(typed(variant, 0)).toBe(wanted);
    expect(typed(variant, 1)).toBe(wanted);
  });

  it("has four conductors between its halves where that one has a dozen, and a finished image for each", () => {
    const across = (design: typeof original) =>
      conductorsAcross(design, design.boards[0].id, design.boards[1].id).length;
    expect(across(original)).toBe(12);
    expect(across(variant)).toBe(4);
    expect(firmwareFits(variant).find(({ id }) => id === "flash-image")!.refusal).toBeNull();
  });
});
