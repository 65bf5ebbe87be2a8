import type { Control } from "@/core/catalogue/kinds";
import { type Circuit, circuitKinds } from "@/core/circuits";
import { derive } from "@/core/derived/derive";
import type { Design } from "@/core/document/schema";
import { newDesign } from "@/core/document/newDesign";
import { addControl } from "@/core/edits/controls";
import { wireAs } from "@/core/edits/wiring";

const EVERY: Control["kind"][] = [
  ...Array.from({ length: 20 }, () => "key" as const),
  "encoder",
  "concentric",
  "pot",
  "stick",
  ...Array.from({ length: 9 }, () => "lamp" as const),
  "light",
  "light",
  "light",
  "display",
  "display",
  "display",
  "segments",
  "segments",
  "radio",
  "pad-port",
  "music-socket",
  "buzzer",
];

/** Some of every kind of control, not wired yet. */
export const everything: Design = EVERY.reduce(
  (design, kind, nth) =>
    addControl(design, kind, `c${nth}`, {
      xMm: (nth % 8) * 60,
      yMm: Math.floor(nth / 8) * 60,
      rotationDeg: 0,
      boardId: "panel",
    }),
  newDesign("every", "Everything"),
);

export const allIds = (design: Design) => [...derive(design).elements.keys()];

/** Everything that one kind of circuit takes, in it. */
export const wiredAs = (kind: Circuit["kind"]) => wireAs(everything, kind, allIds(everything));

/** A design for each kind of circuit. */
export const ofEveryCircuit: Design[] = circuitKinds.map(({ kind }) => ({ ...wiredAs(kind), name: `All by ${kind}` }));
