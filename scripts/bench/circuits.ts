import { bankOf, equalOhms, ladderYield, neededMargin } from "@/core/analog/ladderDesign";
import type { Control } from "@/core/catalogue/kinds";
import type { Circuit } from "@/core/circuits";
import { derive } from "@/core/derived/derive";
import { newDesign } from "@/core/document/newDesign";
import type { Design } from "@/core/document/schema";
import { addControl, shiftControls } from "@/core/edits/controls";
import { chooseController } from "@/core/edits/pins";
import { wireAs } from "@/core/edits/wiring";
import { rules } from "@/core/findings/registry";
import { type Row, median } from "./row";

const LIMIT_MS = 100;
const ROUNDS = 15;
const LADDERS = 10_000;
const LADDERS_MS = 1000;

/** 150 lights, 80 lamps on registers, 24 ladder pads, 20 knobs, 16 pots, 6 displays, 4 motors: 300 controls with circuits. */
function lit300(): Design {
  const counts: [Control["kind"], number][] = [
    ["light", 150],
    ["lamp", 80],
    ["ladder-pad", 24],
    ["encoder", 20],
    ["pot", 16],
    ["display", 6],
    ["motor", 4],
  ];
  let design = chooseController(newDesign("lit", "Lit"), "large-5v-70");
  let nth = 0;
  for (const [kind, count] of counts)
    for (let n = 0; n < count; n++, nth++)
      design = addControl(design, kind, `c${nth}`, {
        xMm: (nth % 25) * 34,
        yMm: Math.floor(nth / 25) * 34,
        rotationDeg: 0,
        boardId: "panel",
      });
  const ways: Circuit["kind"][] = [
    "light-chain",
    "output-registers",
    "ladder",
    "multiplexer",
    "bus-displays",
    "direct",
  ];
  return ways.reduce(
    (d, kind) =>
      wireAs(
        d,
        kind,
        [...derive(d).elements.keys()].filter((id) => !derive(d).circuitsOf.has(id)),
      ),
    design,
  );
}

function findingsRow(): Row {
  const own = rules.filter(({ stage }) => stage === "circuits");
  let design = lit300();
  let heard = 0;
  const times = Array.from({ length: ROUNDS }, (_, nth) => {
    design = shiftControls(design, ["c0"], nth % 2 === 0 ? 0.1 : -0.1, 0);
    const derived = derive(design);
    const began = performance.now();
    heard = own.flatMap((rule) => rule.check(design, derived)).length;
    return performance.now() - began;
  });
  if (heard < 3) throw new Error("nothing was found");
  const time = median(times);
  return {
    what: "all circuit findings, 300 controls, median",
    measured: `${time.toFixed(1)} ms`,
    limit: `${LIMIT_MS} ms`,
    ratio: LIMIT_MS / time,
  };
}

function laddersRow(): Row {
  const bank = bankOf(equalOhms(12, 1000), 1e6);
  const began = performance.now();
  const { samples } = ladderYield(bank, 0.05, 0.01, neededMargin(10), 1, LADDERS);
  const time = performance.now() - began;
  return {
    what: `${samples.toLocaleString("en")} ladders of 12 built by chance`,
    measured: `${time.toFixed(0)} ms`,
    limit: `${LADDERS_MS} ms`,
    ratio: LADDERS_MS / time,
  };
}

export const circuitRows = (): Row[] => [findingsRow(), laddersRow()];
