import type { Design } from "../design/schema";
import { type Finger, type ReachSettings } from "./reachSettings";

/** Keys under the resting fingers, by keyboard usage: A S D F and J K L ; with both thumbs on Space (common practice). */
const RESTING: [Finger, usage: number][] = [
  ["left little", 0x04],
  ["left ring", 0x16],
  ["left middle", 0x07],
  ["left index", 0x09],
  ["right index", 0x0d],
  ["right middle", 0x0e],
  ["right ring", 0x0f],
  ["right little", 0x33],
  ["right thumb", 0x2c],
];

/** Proposes where fingers rest, from what the keys say. The left thumb takes the nearest other key beside Space. */
export function guessHomes(design: Design): ReachSettings["homes"] {
  const base = design.keymap.layers[0].bindings;
  const controlFor = (usage: number) =>
    Object.entries(base)
      .find(([, binding]) => binding.does === "keyboard" && binding.usage === usage)?.[0]
      .split(":")[0];
  const homes = RESTING.flatMap(([finger, usage]) => {
    const controlId = controlFor(usage);
    return controlId ? [{ finger, controlId }] : [];
  });
  const space = homes.find(({ finger }) => finger === "right thumb");
  const at = design.controls.find(({ id }) => id === space?.controlId)?.placement;
  if (!at) return homes;
  const taken = new Set(homes.map(({ controlId }) => controlId));
  const beside = design.controls
    .filter(({ kind, id, placement }) => kind === "key" && !taken.has(id) && placement.xMm < at.xMm)
    .map(({ id, placement }) => ({ id, mm: Math.hypot(placement.xMm - at.xMm, 3 * (placement.yMm - at.yMm)) }))
    .sort((a, b) => a.mm - b.mm)[0];
  return [...homes, { finger: "left thumb" as const, controlId: beside?.id ?? space!.controlId }];
}
