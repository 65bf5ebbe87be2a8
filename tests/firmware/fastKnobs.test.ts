import { afterAll, beforeAll, describe, expect, it } from "vitest";
import type { Design } from "@/core/document/schema";
import { bind } from "@/core/edits/keymap";
import { edgeEncoders } from "@/core/firmware/edgeEncoders";
import { scanTableOf } from "@/core/firmware/scanTable";
import { finishedPad, wiredDemos } from "../support/designs";
import { workFolder } from "./builds";
import { ChipTalk } from "./chipTalk";
import { contactsOf } from "./chipWiring";
import { onSmallClass } from "./onSmallClass";
import { buildUsbHost, imageFiles } from "./usbChip";

/** Cycles between two states of a knob at 40 turns a second, 24 steps of 4 states, at 16 MHz. */
const VERY_FAST = 16e6 / (40 * 24 * 4);
const STATES_A_STEP = 4;
const CLOCKWISE = 0xe9;

/** Each knob has two usages of the consumer page on every layer, one for each direction, that no key has; each step is told once. */
const speaking = (given: Design) => {
  const design: Design = { ...given, keymap: { ...given.keymap, knobs: {} } };
  const { encoders, inputs, switches } = scanTableOf(design);
  const turns = inputs.slice(switches.length, switches.length + 2 * encoders.length);
  const everywhere = design.keymap.layers.flatMap(({ id }) => turns.map((input, nth) => ({ id, input, nth })));
  return everywhere.reduce(
    (bound, { id, input, nth }) => bind(bound, id, input, { does: "consumer", usage: CLOCKWISE + nth }),
    design,
  );
};

const kestrel = wiredDemos.find(({ id }) => id === "kestrel")!;

describe.each([
  ["one knob", speaking(onSmallClass(finishedPad()))],
  ["two knobs", speaking(onSmallClass(kestrel))],
])("%s on pins that interrupt, on the simulated chip", (_, design) => {
  const scan = scanTableOf(design);
  const numbers = new Map(contactsOf(design).map((contact, number) => [contact, number]));
  const knobs = scan.encoders.map(({ elementId }) => ["A", "B"].map((end) => numbers.get(`${elementId}/${end}`)!));
  const keys = scan.switches.map((elementId) => numbers.get(elementId)!);
  let chip: ChipTalk;
  beforeAll(() => {
    chip = new ChipTalk(buildUsbHost(), imageFiles(design, workFolder()));
  });
  afterAll(() => chip.end());

  const told = (usage: number, lines: string[]) =>
    lines.filter((line) => line.endsWith(`consumer ${usage.toString(16)}00`)).length;

  /** Turns a knob and waits until all is told. @returns how often clockwise and anticlockwise were */
  async function turn(knob: number, steps: number, cycles: number) {
    const [a, b] = knobs[knob];
    const during = await chip.order(`turn ${a} ${b} ${steps * STATES_A_STEP} ${Math.round(cycles)}`);
    const lines = [...during, ...(await chip.pass(100 + 25 * Math.abs(steps)))];
    return [0, 1].map((direction) => told(CLOCKWISE + 2 * knob + direction, lines));
  }

  it("are all told by their edges", () =>
    expect(edgeEncoders(design, scan)).toEqual(scan.encoders.map((__, number) => number)));

  it("lose no step at 40 turns a second, at any time of the scan, both ways", async () => {
    for (const [knob] of knobs.entries()) {
      for (const cycles of [VERY_FAST, VERY_FAST + 37, 1.3 * VERY_FAST]) {
        expect(await turn(knob, 50, cycles)).toEqual([50, 0]);
        expect(await turn(knob, -50, cycles)).toEqual([0, 50]);
      }
    }
  });

  it("lose none while every key goes down and up", async () => {
    for (let round = 0; round < 6; round++) {
      for (const key of keys) await chip.order(`contact ${key} ${1 - (round % 2)}`);
      expect(await turn(0, 10, VERY_FAST)).toEqual([10, 0]);
    }
  });
});
