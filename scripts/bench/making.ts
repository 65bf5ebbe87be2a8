import { performance } from "node:perf_hooks";
import { demoDesigns } from "../../demo";
import { addControl } from "@/core/edits/controls";
import { newDesign } from "@/core/document/newDesign";
import { artifactNamed } from "@/core/exports/registry";
import { onSmallClass } from "../../tests/firmware/onSmallClass";
import type { Row } from "./row";

const KEYS = 1000;
const LIMIT_MS = 5000;

/** The printed plate of 1,000 keys: the largest solid that one call may ask for. */
export async function plateRow(): Promise<Row> {
  let design = newDesign("thousand", "Thousand");
  for (let nth = 0; nth < KEYS; nth++)
    design = addControl(design, "key", `k${nth}`, {
      xMm: (nth % 40) * 19.05,
      yMm: Math.floor(nth / 40) * 19.05,
      rotationDeg: 0,
      boardId: "panel",
    });
  const began = performance.now();
  const made = await artifactNamed("plate-stl")!.make(design);
  const ms = performance.now() - began;
  if (!made.ok) throw new Error(JSON.stringify(made.problems));
  return {
    what: "printed plate, 1,000 keys",
    measured: `${ms.toFixed(0)} ms`,
    limit: `${LIMIT_MS} ms`,
    ratio: LIMIT_MS / ms,
  };
}

const IMAGE_LIMIT_MS = 200;

/** A finished flash image of Loom 64 on the small 5 V class, as the first one of a visit. */
export async function imageRow(): Promise<Row> {
  const design = onSmallClass(demoDesigns.find(({ id }) => id === "loom-64")!);
  const began = performance.now();
  const made = await artifactNamed("flash-image")!.make(structuredClone(design));
  const ms = performance.now() - began;
  if (!made.ok) throw new Error(JSON.stringify(made.problems));
  return {
    what: "finished flash image from a design",
    measured: `${ms.toFixed(0)} ms`,
    limit: `${IMAGE_LIMIT_MS} ms`,
    ratio: IMAGE_LIMIT_MS / ms,
  };
}
