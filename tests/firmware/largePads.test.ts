import { describe, expect, it } from "vitest";
import type { Design } from "@/core/document/schema";
import type { MatrixCircuit } from "@/core/circuits/matrix";
import { changeCircuit, wireAs } from "@/core/edits/wiring";
import { adoptPinPlan, chooseController } from "@/core/edits/pins";
import { planPins } from "@/core/pins/planPins";
import { keyBlock } from "../support/keyBlock";
import { play, workFolder } from "./builds";
import { firstDifference } from "./firstDifference";
import { buildUsbHost, imageFiles, manyAtOnce, recordOnChip, toldOf } from "./usbChip";

const CYCLES_A_MS = 16_000;
const AT_ONCE = 20;
const host = buildUsbHost();

function onClass(design: Design, profileId: string): Design {
  const moved = chooseController(design, profileId);
  return adoptPinPlan(moved, planPins(moved));
}

const wired = (keys: Design, kind: "input-registers" | "matrix") =>
  wireAs(
    keys,
    kind,
    keys.controls.map(({ id }) => `${id}:press`),
  );

/** As many rows as columns. */
function squareMatrix(side: number): Design {
  const design = wired(keyBlock(side, side), "matrix");
  const cells = design.controls.map(({ id }, nth) => [
    `${id}:press`,
    { row: Math.floor(nth / side), column: nth % side },
  ]);
  return changeCircuit<MatrixCircuit>(design, "matrix", { cells: Object.fromEntries(cells) });
}

// As many keys as the runtime can number, and the largest matrix of the chip's pins: read whole, every millisecond.
describe.each([
  ["252 keys on registers", onClass(wired(keyBlock(18, 14), "input-registers"), "small-5v-18")],
  ["169 keys in a matrix", onClass(squareMatrix(13), "chip-8bit-usb-44")],
])("%s on the simulated chip", (_, design) => {
  const files = imageFiles(design, workFolder());

  it("are read within a millisecond while nothing changes", () => {
    const { notes } = play(host, files, "100 end\n");
    expect(toldOf(notes, "most")).toBeLessThan(CYCLES_A_MS);
  });

  it(`report as simulated with ${AT_ONCE} keys changing at once, and no millisecond is skipped`, () => {
    const { script, expected } = recordOnChip(design, manyAtOnce(design, AT_ONCE));
    const { output, notes } = play(host, files, script);
    expect(firstDifference(output, expected)).toBeNull();
    expect(toldOf(notes, "late")).toBe(0);
  });
});
