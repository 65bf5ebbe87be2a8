import { describe, expect, it } from "vitest";
import { scanTableOf } from "@/core/firmware/scanTable";
import { play, workFolder } from "./builds";
import { soundingPad } from "./circuitPads";
import { onSmallClass } from "./onSmallClass";
import { buildUsbHost, imageFiles } from "./usbChip";

const host = buildUsbHost();
const CYCLES_A_SECOND = 16_000_000;
/** What begins an interrupt and what it does first, and a scan that holds interrupts back for a moment. */
const SLACK_CYCLES = 160;

/** Caps lock is there from the first scan on; contacts of the knob turn meanwhile. */
const script = (turns: string) => `0 locks 2\n${turns}1000 end\n`;

const waveOf = (notes: string) => /wave \d+ edges (\d+) shortest (\d+) longest (\d+)/.exec(notes)!.slice(1).map(Number);

describe.each([400, 2400, 7000])("a sounder that wants %i Hz, on the simulated chip", (hz) => {
  const design = onSmallClass(soundingPad(hz));
  const { notes } = play(host, imageFiles(design, workFolder()), script(""));
  const [edges, shortest, longest] = waveOf(notes);
  const half = CYCLES_A_SECOND / hz / 2;

  it("has a square wave of that many a second", () => {
    expect(Math.abs(shortest - half)).toBeLessThan(SLACK_CYCLES + half / 100);
    expect(Math.abs(longest - half)).toBeLessThan(SLACK_CYCLES + half / 100);
  });

  it("sounds for its two pulses of 80 ms, and then no more", () => {
    expect(scanTableOf(design).lamps).toHaveLength(3);
    const told = 2 * 2 * 0.08 * hz;
    expect(Math.abs(edges - told)).toBeLessThan(told / 50 + 4);
  });
});
