import type { Design } from "../document/schema";
import { typedBy } from "../bindings";
import { distanceMm } from "../geometry/point";
import { type Finger, type ReachSettings } from "../document/reachSettings";

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

/** Proposes where fingers rest, from what the keys say. Space belongs to the thumb of its side. */
export function guessHomes(design: Design): ReachSettings["homes"] {
  const base = design.keymap.layers[0].bindings;
  const controlFor = (usage: number) =>
    Object.entries(base)
      .find(([, binding]) => typedBy(binding)?.usage === usage)?.[0]
      .split(":")[0];
  const homes = RESTING.flatMap(([finger, usage]) => {
    const controlId = controlFor(usage);
    return controlId ? [{ finger, controlId }] : [];
  });
  const space = homes.find(({ finger }) => finger === "right thumb");
  const at = new Map(design.controls.map(({ id, placement }) => [id, placement]));
  const indexes = homes.filter(({ finger }) => finger.endsWith("index")).map(({ controlId }) => at.get(controlId)!);
  if (!space || indexes.length < 2) return homes;
  const middleMm = (indexes[0].xMm + indexes[1].xMm) / 2;
  const spaceAt = at.get(space.controlId)!;
  const isLeft = spaceAt.xMm < middleMm - design.pitch.xMm;
  const taken = new Set(homes.map(({ controlId }) => controlId));
  // The other thumb rests where the first one would, seen in a mirror between the hands.
  const mirrored = { xMm: 2 * middleMm - spaceAt.xMm, yMm: spaceAt.yMm };
  const other = design.controls
    .filter(({ kind, id }) => kind === "key" && !taken.has(id))
    .map(({ id, placement }) => ({ id, mm: distanceMm(placement, mirrored) }))
    .sort((a, b) => a.mm - b.mm)[0];
  const isApart = Math.abs(spaceAt.xMm - middleMm) > design.pitch.xMm;
  const otherId = isApart && other ? other.id : space.controlId;
  return [
    ...homes.filter((home) => home !== space),
    { finger: isLeft ? "left thumb" : "right thumb", controlId: space.controlId },
    { finger: isLeft ? "right thumb" : "left thumb", controlId: otherId },
  ];
}
