import { describe, expect, it } from "vitest";
import { finishedPad, wiredDemos } from "../../../tests/support/designs";
import { rowOf } from "../../../tests/support/litRows";
import type { Control } from "../catalogue/kinds";
import { ofEveryCircuit } from "../../../tests/support/everyCircuit";
import type { Design } from "../document/schema";
import { changeControl } from "../edits/controls";
import { chooseController } from "../edits/pins";
import { artifactNamed } from "../exports/registry";
import { firmwareFits, undrivenParts } from "./firmwareFit";

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
  for (const design of ofEveryCircuit) expect(undrivenParts(design)).toEqual([]);
  const deep = rowOf("display", 2, "small-5v-18");
  const [one] = deep.controls;
  expect(undrivenParts(changeControl(deep, one.id, { bitsPerPx: 16 } as Partial<Control>))).toEqual([one.label]);
});
