import { derive } from "@/core/derived/derive";
import { newDesign } from "@/core/document/newDesign";
import type { Design } from "@/core/document/schema";
import type { Control } from "@/core/catalogue/kinds";
import { addControl } from "@/core/edits/controls";
import { chooseController } from "@/core/edits/pins";
import { wireAs } from "@/core/edits/wiring";

/** So many controls of a kind in a row, named c0, c1 …, alone on the mat, with a controller. */
export const rowOf = (kind: Control["kind"], count: number, profileId: string, stepMm = 20): Design =>
  chooseController(
    Array.from({ length: count }, (_, n) => n).reduce(
      (d, n) => addControl(d, kind, `c${n}`, { xMm: n * stepMm, yMm: 0, rotationDeg: 0, boardId: "panel" }),
      newDesign("row", "Row"),
    ),
    profileId,
  );

export const elementIds = (design: Design): string[] => [...derive(design).elements.keys()];

/** A chain of lights in a row. */
export function chainOf(count: number, profileId = "small-5v-18", stepMm = 20): Design {
  const lights = rowOf("light", count, profileId, stepMm);
  return wireAs(lights, "light-chain", elementIds(lights));
}
