import { describe } from "vitest";
import { BATTERY } from "@/core/derived/batteryValue";
import { usualSupply } from "@/core/document/supplySettings";
import { setLampRule } from "@/core/edits/keymap";
import { readExample } from "./examples";
import { sameInEveryBuild } from "./inEveryBuild";

/** Keys, a pot, and lamps that show what is left in a cell which a pin measures. */
const pad = readExample(`key A: KeyA
key B: KeyB
pot P
axis P: plain
use P: nothing
lamp L: value P 128
lamp M: value P 128
lamp N: value P 255`).design;
const shown = [64, 128, 255].reduce(
  (design, atLeast, nth) => setLampRule(design, "LMN"[nth], { when: "value", elementId: BATTERY, atLeast }),
  pad,
);
const cell = { kind: "battery", cell: "lithium-ion", series: 1, capacityMah: 1000, cutOffV: 3.3 } as const;
const design = {
  ...shown,
  supply: { ...usualSupply, source: cell, measured: { topOhm: 100_000, bottomOhm: 100_000 } },
};

describe("what is left in a battery, in every build", () =>
  sameInEveryBuild({
    design,
    told: "lamp",
    least: 500,
    leastOverUsb: 25,
    uses: 200,
    usesOnCore: 40,
    usesOnChip: 20,
    interfaces: ["keyboard"],
  }));
