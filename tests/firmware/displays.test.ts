import { describe, expect, it } from "vitest";
import { removeControls } from "@/core/edits/controls";
import { readExample } from "./examples";
import { sameInEveryBuild } from "./inEveryBuild";
import { joined, recorded } from "./recordedUses";

/** Two small displays beside segments, so that a short use draws all of them: all sorts of things, on pages by layer, some beneath others. */
const desk = readExample(`key A: KeyA
key B: hold 2
key C: stay 2
key D: stay 1
key Q: hold 3
encoder E: clockwise KeyX, anticlockwise KeyY
knob E: top 40
pot P
axis P: plain
segments F: 4
display H: 48 x 32
display I: 40 x 8
begin 00 ae, 00 d5 80, 00 af
from column 2
show F: value E from 0 to 40
page H: layer at 0 0 columns 30, bar P at 31 0 columns 15, value E from -99 to 999 point 1 at 0 1 columns 31, deed A called Go at 31 1 columns 17, value 1 from 300 to -40 point 2 at 0 2 columns 48 large
page I: deed C at 1 0 columns 37
layer 2: page H = text Two Ä at 3 0 large, value P from -32000 to 32000 at 0 2 columns 40, bar E at 5 3 columns 9, deed B at 16 3
layer 2: page I = nothing
layer 3: A = KeyB
layer 3: page H = picture 01 02 03 04 05 06 07 08 09 0a 0b 0c 0d 0e at 3 0 rows 2, layer at 0 1 columns 40, text Covered at 0 2 columns 45, value E from 0 to 40 at 20 1 columns 20, bar E at 0 3
at 0 told 00`).design;

it("writes both displays, beside segments, voltages and what the computer tells", () => {
  const { expected } = joined(recorded(desk, 20));
  for (const what of ["display 0", "display 1", "segments 0"])
    expect(expected.split(` ${what} `).length).toBeGreaterThan(100);
});

describe("displays of dots in every build", () =>
  sameInEveryBuild({
    design: desk,
    told: "display",
    least: 12_000,
    leastOverUsb: 2000,
    uses: 400,
    usesOnCore: 60,
    usesOnChip: 50,
    interfaces: ["keyboard", "panel"],
    onChip: (design) => removeControls(design, ["P"]),
  }));
