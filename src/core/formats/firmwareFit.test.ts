import { describe, expect, it } from "vitest";
import { finishedPad, wiredDemos } from "../../../tests/support/designs";
import { circuitKinds } from "../circuits";
import type { Design } from "../document/schema";
import { chooseController } from "../edits/pins";
import { artifactNamed } from "./registry";
import { firmwareFits, undrivenCircuits } from "./firmwareFit";

const designs: [string, Design][] = [
  ...wiredDemos.map((design): [string, Design] => [design.name, design]),
  ["a finished pad", finishedPad()],
  ["a pad without a controller", { ...finishedPad(), controllers: [], pinPlan: {} }],
  ["a pad on a class that runs Python", chooseController(finishedPad(), "dual-core-3v3-26")],
  ["a pad that declares nothing", { ...finishedPad(), reportSet: { ...finishedPad().reportSet, interfaces: [] } }],
];

describe.each(designs)("what firmware makes of %s", (_name, design) => {
  it("is told before as it is told when it is asked for", async () => {
    for (const { id, refusal } of firmwareFits(design)) {
      const made = await artifactNamed(id)!.make(design);
      expect({ id, refusal }).toEqual({
        id,
        refusal: made.ok ? null : made.problems.map(({ message }) => message).join("; "),
      });
    }
  });
});

it("names what no firmware drives, and nothing else", () => {
  const all = circuitKinds.map((kind, nth) => kind.fresh(`c${nth}`, kind.title));
  const undriven = undrivenCircuits({ ...finishedPad(), circuits: all });
  expect(undriven.sort()).toEqual(["Displays on the bus", "Radio on the serial bus"].sort());
});
