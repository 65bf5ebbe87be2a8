import { describe } from "vitest";
import { readExample } from "./examples";
import { sameInEveryBuild } from "./inEveryBuild";

/** Keys that put the pointer somewhere, alone, with a second job and on a layer, beside a stick and a pot that say where it is. */
const puttingPad = readExample(`key A: place 25 50
key B: place 100 0
key C: button 1
key D: hold 2
key E: move right at 500 after 0
key F: place 10 90 | KeyF | tap 150
key G: next 2
layer 2: A = place 0 100
layer 2: use P = place across
layer 2: use S x = pointer right 800
stick S
pot P
axis S x: dead 10 both
axis S y: dead 10 both
axis P: smooth 1
use S x: place across
use S y: place down
use P: nothing
at 0 press A`).design;

describe("places on the screen in every build", () =>
  sameInEveryBuild({
    design: puttingPad,
    told: "place",
    least: 1500,
    leastOverUsb: 60,
    uses: 400,
    usesOnCore: 80,
    usesOnChip: 25,
    interfaces: ["keyboard", "pointer", "place"],
  }));
