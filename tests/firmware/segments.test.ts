import { describe } from "vitest";
import { readExample } from "./examples";
import { sameInEveryBuild } from "./inEveryBuild";

/** Displays of many sizes on one chain, with what is told, turned and written, on two layers. */
const panel = readExample(`key A: KeyA
key B: hold 2
key C: stay 2
key D: stay 1
encoder E: clockwise KeyX, anticlockwise KeyY
knob E: top 40
pot P
axis P: plain
segments F: 4
segments G: 9
segments H: 1
start 0c 00, 0b 07, 0c 01
show F: value E from -99 to 999 point 1
show G: text run 12.5 b
show H: value P from 0 to 12
layer 2: show F = value 1 from 300 to -40 point 2
layer 2: show H = text -
layer 2: show G = value P from -32000 to 32000
at 0 told 00`).design;

describe("segment displays in every build", () =>
  sameInEveryBuild({
    design: panel,
    told: "segments",
    least: 8000,
    leastOverUsb: 500,
    uses: 600,
    usesOnCore: 100,
    usesOnChip: 60,
    interfaces: ["keyboard", "panel"],
  }));
