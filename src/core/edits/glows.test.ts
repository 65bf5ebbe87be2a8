import { describe, expect, it } from "vitest";
import { LIMITS } from "../contract/contract";
import { type Glow, glowListSchema } from "../document/glows";
import { newDesign } from "../document/newDesign";
import { readDesign } from "../document/readDesign";
import type { Design } from "../document/schema";
import { addControl, removeControls } from "./controls";
import { addGlow, changeGlow, moveGlow, removeGlow } from "./glows";
import { addLayer, removeLayer } from "./keymap";

const at = (xMm: number) => ({ xMm, yMm: 0, rotationDeg: 0, boardId: "panel" });
const withLights = ["p", "q", "r"].reduce<Design>(
  (d, id, nth) => addControl(d, "light", id, at(20 * nth)),
  addLayer(newDesign("d", "D"), "two", "Two"),
);
const ids = (design: Design) => (design.keymap.glows ?? []).map(({ id }) => id);
const three = ["a", "b", "c"].reduce<Design>((d, id) => addGlow(d, id), withLights);

describe("glows", () => {
  it("are added on top, as many as the firmware knows", () => {
    expect(ids(three)).toEqual(["a", "b", "c"]);
    const full = Array.from({ length: 20 }).reduce<Design>((d, _, nth) => addGlow(d, `g${nth}`), withLights);
    expect(ids(full)).toHaveLength(LIMITS.GLOWS);
    expect(glowListSchema.safeParse(full.keymap.glows).success).toBe(true);
    expect(readDesign(JSON.parse(JSON.stringify(full))).ok).toBe(true);
  });

  it("are carried to another place, changed and removed; one that is not there changes nothing", () => {
    expect(ids(moveGlow(three, "a", 2))).toEqual(["b", "c", "a"]);
    expect(ids(moveGlow(three, "c", 0))).toEqual(["c", "a", "b"]);
    expect(moveGlow(three, "toString", 0)).toBe(three);
    expect(ids(removeGlow(three, "b"))).toEqual(["a", "c"]);
    const [, changed] = changeGlow(three, "b", { fadeMs: 300 }).keymap.glows!;
    expect(changed).toMatchObject({ id: "b", fadeMs: 300 });
  });

  it("forget lights that are removed, and go with their last one; those of all lights stay", () => {
    const some = addGlow(addGlow(three, "pq", ["p:light", "q:light"]), "q", ["q:light"]);
    const without = removeControls(some, ["q"]);
    expect(ids(without)).toEqual(["a", "b", "c", "pq"]);
    expect(without.keymap.glows!.at(-1)!.lights).toEqual(["p:light"]);
  });

  it("go with the layer that they show", () => {
    const shown = changeGlow(three, "b", { when: { when: "layer", layerId: "two" } });
    expect(ids(removeLayer(shown, "two"))).toEqual(["a", "c"]);
    expect(ids(removeLayer(shown, "base"))).toEqual(["a", "b", "c"]);
  });
});

describe("what a file says of glows", () => {
  const refused = (change: Partial<Glow>): string => {
    const [glow] = three.keymap.glows!;
    const design = { ...three, keymap: { ...three.keymap, glows: [{ ...glow, ...change }] } };
    const read = readDesign(JSON.parse(JSON.stringify(design)));
    return read.ok ? "" : read.problems.map(({ path }) => path).join(" ");
  };
  it("is refused with its place when a colour, a time or a state is none", () => {
    expect(refused({ shows: { how: "still", colour: "red" } })).toMatch(/keymap\.glows\.0\.shows/);
    expect(refused({ fadeMs: 6000 })).toMatch(/keymap\.glows\.0\.fadeMs/);
    expect(refused({ shows: { how: "swell", colour: "#000000", other: "#ffffff", periodMs: 200 } })).toMatch(
      /periodMs/,
    );
    expect(refused({ when: { when: "never" } as unknown as Glow["when"] })).toMatch(/keymap\.glows\.0\.when/);
    expect(refused({ lights: [] })).toMatch(/keymap\.glows\.0\.lights/);
    expect(refused({ lights: ["constructor"] })).toBe("");
    expect(refused({})).toBe("");
  });
});
