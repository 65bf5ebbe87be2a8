import { describe, expect, it } from "vitest";
import { finishedPad } from "../../../tests/support/designs";
import { chooseController, clearPins, freePin, movePin } from "../edits/pins";
import { wireAs } from "../edits/wiring";
import { edgeEncoders } from "./edgeEncoders";
import { scanTableOf } from "./scanTable";

const of = (design: ReturnType<typeof finishedPad>) => edgeEncoders(design, scanTableOf(design));
const done = finishedPad();

describe("knobs whose every edge is told", () => {
  it("are those with both lines on pads that interrupt, on the 8-bit USB class", () => {
    expect(of(done)).toEqual([0]);
    expect(of(movePin(done, "e1:turn/A", "P18"))).toEqual([]);
    expect(of(movePin(done, "e1:turn/B", "P18"))).toEqual([]);
    expect(of(freePin(done, "e1:turn/B"))).toEqual([]);
    expect(of(clearPins(done))).toEqual([]);
  });

  it("are none on other classes, whatever their pads can", () =>
    expect(of({ ...chooseController(done, "large-5v-70"), pinPlan: done.pinPlan })).toEqual([]));

  it("are none behind added parts", () => expect(of(wireAs(done, "multiplexer", ["e1:turn"]))).toEqual([]));
});
