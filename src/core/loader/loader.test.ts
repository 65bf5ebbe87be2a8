import { describe, expect, it } from "vitest";
import { finishedPad } from "../../../tests/support/designs";
import { adoptPinPlan, chooseController } from "../edits/pins";
import { planPins } from "../pins/planPins";
import { flashImage } from "../image/flashImage";
import { usb8Code } from "../image/usb8Code";
import { loadImage, type LoadProgress } from "./serialLoader";
import { type LoaderFaults, PAGE_BYTES, StandInLoader } from "./standInLoader";
import { standInTransport } from "./standInTransport";
import { TransportClosed } from "./transport";

const moved = chooseController(finishedPad(), "small-5v-18");
const design = adoptPinPlan(moved, planPins(moved));
const image = flashImage(design, usb8Code(design));
const parts = image.ok ? image.value.parts : [];

async function load(faults: LoaderFaults = {}, tell: (progress: LoadProgress) => void = () => {}) {
  const loader = new StandInLoader(faults);
  const transport = standInTransport(loader);
  await transport.open();
  await loadImage(transport, parts, tell);
  return loader;
}

describe("loading an image through the stand-in loader", () => {
  it("writes every byte at its place, leaves the rest erased, and starts the device", async () => {
    const { flash, isStarted } = await load();
    const expected = new Uint8Array(flash.length).fill(0xff);
    for (const { at, bytes } of parts) expected.set(Array.from(bytes), at);
    expect(Buffer.compare(flash, expected)).toBe(0);
    expect(isStarted).toBe(true);
  });

  it("tells how far it is: forward only, writing before checking", async () => {
    const told: LoadProgress[] = [];
    await load({}, (progress) => told.push(progress));
    const order = ["asking", "erasing", "writing", "checking", "starting"];
    expect([...new Set(told.map(({ doing }) => doing))]).toEqual(order);
    for (const phase of ["writing", "checking"]) {
      const bytes = told.filter(({ doing }) => doing === phase).map((progress) => progress.bytes);
      expect(bytes).toEqual(bytes.map((_, nth) => nth * PAGE_BYTES));
      expect(bytes.at(-1)! + PAGE_BYTES).toBe(told.at(-1)!.of);
    }
  });

  it("works on a loader that has heard half an order before", async () => {
    const loader = new StandInLoader();
    loader.hear([0x1b, 0x1b]);
    const transport = standInTransport(loader);
    await transport.open();
    await loadImage(transport, parts, () => {});
    expect(loader.isStarted).toBe(true);
  });
});

/** In the board block. */
const wornAt = parts[1].at + 3;

describe("what goes wrong is said", () => {
  it.each<[string, LoaderFaults, RegExp]>([
    ["a worn byte", { wornAt }, new RegExp(`^Byte ${wornAt} was read back as \\d+ instead of \\d+\\. Load it again`)],
    ["another chip", { signature: [0x0f, 0x95, 0x1e] }, /^Another chip answers \(0f 95 1e\).*nothing was written/],
    ["nobody there", { silentAfter: 0 }, /^The board does not answer\. Press its reset button twice/],
    ["silence in the middle", { silentAfter: 3000 }, /^The board does not answer/],
  ])("%s", async (_, faults, words) => {
    await expect(load(faults)).rejects.toThrow(words);
  });

  it("does not write to another chip", async () => {
    const loader = new StandInLoader({ signature: [1, 2, 3] });
    const transport = standInTransport(loader);
    await transport.open();
    await loadImage(transport, parts, () => {}).catch(() => {});
    expect(loader.flash.every((byte) => byte === 0xff)).toBe(true);
  });

  it("a board that goes away", async () => {
    const transport = standInTransport(new StandInLoader());
    await expect(loadImage(transport, parts, () => {})).rejects.toThrow(TransportClosed);
  });
});

describe("the stand-in loader", () => {
  it("does not overwrite itself", () => {
    const loader = new StandInLoader();
    loader.hear([..."A"].map((letter) => letter.charCodeAt(0)).concat(0x38, 0x00));
    const answer = loader.hear(["B".charCodeAt(0), 0, 2, "F".charCodeAt(0), 0x12, 0x34]);
    expect([...answer]).toEqual(["?".charCodeAt(0)]);
    expect(loader.flash[0x7000]).toBe(0xff);
  });

  it("gives the same answers however the bytes come", () => {
    const all = [..."SpsabP"].map((letter) => letter.charCodeAt(0));
    const [one, other] = [new StandInLoader(), new StandInLoader()];
    expect(all.flatMap((byte) => [...one.hear([byte])])).toEqual([...other.hear(all)]);
  });
});
