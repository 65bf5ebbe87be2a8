import { describe, expect, it } from "vitest";
import { demoDesigns } from "@demo/index";
import { paceOf } from "../assembly/pace";
import { totalSpan } from "../assembly/time";
import { setBoardWay } from "./build";
import { simplerOnes } from "./savings";
import { simplificationsOf } from "./simplifications";

const named = (id: string) => demoDesigns.find((design) => design.id === id)!;
const wish = { pace: paceOf([]), device: 1, learning: 0.8 };
const minutes = (one: { work: Parameters<typeof totalSpan>[0] }) => totalSpan(one.work, wish).middle;

describe("what would be less work", () => {
  it("a keyboard on made boards takes less time, and its boards cost something", () => {
    const [now, made, paste] = simplerOnes(named("loom-64"));
    expect([now.id, made.id, paste.id]).toEqual(["as it is", "made-boards", "paste"]);
    expect(minutes(made)).toBeLessThan(minutes(now));
    expect(made.parts).toBeGreaterThan(now.parts);
  });

  it("a panel without its lamps takes less time and fewer parts", () => {
    const all = simplerOnes(named("glasshouse"));
    const [now] = all;
    const dark = all.find(({ id }) => id === "lamps")!;
    expect(minutes(dark)).toBeLessThan(minutes(now));
    expect(dark.parts).toBeLessThan(now.parts);
  });

  it("offers only what is not so already, and what is there", () => {
    const loom = named("loom-64");
    const made = loom.boards.reduce(
      (d, { id }) => setBoardWay(d, id, { way: "made-board", smallParts: "surface" }),
      loom,
    );
    expect(simplificationsOf(made)).toEqual([]);
    expect(simplificationsOf(named("kestrel")).map(({ id }) => id)).toEqual([
      "made-boards",
      "paste",
      "lights",
      "displays",
      "knobs",
    ]);
  });
});
