import { DescriptorWriter } from "./descriptorWriter";
import type { HidInterface } from "./interfaces";
import { padAxisNames, padAxisUsage } from "./padShape";
import type { ReportShape } from "./reportShape";

const BYTE = 8;

function buttons(w: DescriptorWriter, count: number) {
  w.usagePage(0x09, "the usages that follow are buttons");
  w.usages(1, count, "the first button").logical(0, 1, "0 is up, 1 is down");
  w.size(1).count(count, "a bit each").input({ variable: true }, "the buttons, the first in the lowest bit");
  const rest = (BYTE - (count % BYTE)) % BYTE;
  if (rest > 0) w.size(rest).count(1, "one field").input({ constant: true }, "bits to fill the byte");
}

/** As HID 1.11, section 6.2.2.5, wants it: a value outside of its range tells that it is not pressed. */
function hat(w: DescriptorWriter) {
  w.usagePage(0x01, "the next usage is of the generic desktop page");
  w.usage(0x39, "Hat Switch", "eight ways").logical(0, 7, "0 is up, and on clockwise");
  w.physical360();
  w.size(BYTE).count(1, "one byte").input({ variable: true, nullState: true }, "8 when it is not pressed");
  w.noUnit();
}

function axes(w: DescriptorWriter, { axes: all, axisBits }: ReportShape) {
  w.usagePage(0x01, "the usages that follow are of the generic desktop page");
  w.size(axisBits > BYTE ? 2 * BYTE : BYTE).count(1, "one field");
  for (const { axis, bothSides } of all) {
    const most = 2 ** (bothSides ? axisBits - 1 : axisBits) - 1;
    w.usage(padAxisUsage(axis), padAxisNames[axis], bothSides ? "to both sides of where it rests" : "from its low end");
    w.logical(bothSides ? -most : 0, most, bothSides ? "its low end; 0 is where it rests" : "its low end");
    w.input({ variable: true }, `axis ${padAxisNames[axis]}`);
  }
}

/** A game pad: buttons in their order, a hat, axes; each where the design has it. */
export const gamePad: HidInterface = {
  kind: "pad",
  collection: [0x01, 0x05],
  outputBytes: 0,
  descriptor(shape) {
    const w = new DescriptorWriter();
    w.usagePage(0x01, "the next usage is of the generic desktop page");
    w.usage(0x05, "Game Pad", "this interface is a game pad").application("here its report begins");
    if (shape.buttons > 0) buttons(w, shape.buttons);
    if (shape.hat) hat(w);
    if (shape.axes.length > 0) axes(w, shape);
    return w.end().items;
  },
};
