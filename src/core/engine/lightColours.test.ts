import { describe, expect, it } from "vitest";
import { demoDesigns } from "../../../demo";
import { partCatalogue } from "../catalogue/parts";
import { ownKeyOf } from "../firmware/lights";
import { scanTableOf } from "../firmware/scanTable";
import { coloursOfChain } from "./lightColours";

const kestrel = demoDesigns.find(({ id }) => id === "kestrel")!;
const [chain] = scanTableOf(kestrel).chains;

describe("what lights look like on the screen", () => {
  it("is their colour from green, red, blue, brighter than the number as eyes see it; dark is none", () => {
    const bytes = Uint8Array.from([0, 255, 0, 51, 0, 0, 0, 0, 0, 0, 0, 255]);
    expect(coloursOfChain(kestrel, chain, bytes)).toEqual([
      ["power-light", "#ff0000"],
      ["camera-light", "#007b00"],
      ["lock-light", null],
      ["chart-1", "#0000ff"],
    ]);
  });

  it("is by the part's own order of bytes", () => {
    const part = { ...partCatalogue.find(({ id }) => id === "light-5050")!, id: "own", colourOrder: "brg" as const };
    const controls = kestrel.controls.map((control) =>
      control.id === "power-light" ? { ...control, partId: "own" } : control,
    );
    const [[, colour]] = coloursOfChain({ ...kestrel, controls, parts: [part] }, chain, Uint8Array.from([1, 255, 0]));
    expect(colour).toBe("#ff0015");
  });
});

describe("the key beside a light", () => {
  const moved = (xMm: number, yMm: number) => ({
    ...kestrel,
    controls: kestrel.controls.map((control) => {
      const key = kestrel.controls.find(({ id }) => id === "stop")!;
      const { placement } = key;
      return control.id === "power-light"
        ? { ...control, placement: { ...placement, xMm: placement.xMm + xMm, yMm: placement.yMm + yMm } }
        : control;
    }),
  });

  it("is the nearest, no farther away than one pitch", () => {
    expect(ownKeyOf(moved(0, 4), "power-light:light")).toBe("stop:press");
    expect(ownKeyOf(moved(0, 400), "power-light:light")).toBeNull();
    expect(ownKeyOf(kestrel, "no such light")).toBeNull();
  });
});
