import { kindNamed } from "../catalogue/kinds";
import type { Pitch } from "../catalogue/kinds/controlKind";
import { partCatalogue } from "../catalogue/parts";
import { boundsOf } from "../geometry/outline";
import type { Making } from "../document/makingSettings";
import { type Wish, type WishCount, wishCounts } from "../document/wish";
import { kindOfLine } from "./wishWords";

/** Margins, gaps and what does not tile: share of a board that controls fill at best (from memory). */
const FILL = 0.8;

/** Area that one control of a line takes, cap or body, whichever is larger, in mm². */
function areaMm2(line: WishCount, pitch: Pitch): number {
  if (line === "keys") return pitch.xMm * pitch.yMm;
  const kind = kindNamed(kindOfLine[line]);
  const part = partCatalogue.find(({ id }) => id === kind.partId)!;
  const fresh = kind.fresh("probe", "probe", { xMm: 0, yMm: 0, rotationDeg: 0, boardId: "board" });
  const box = boundsOf([...kind.cap(fresh, pitch, part), kind.body(fresh, part)])!;
  return (box.maxXMm - box.minXMm) * (box.maxYMm - box.minYMm);
}

/** The least board area of a wish in cm². */
export const leastAreaCm2 = (wish: Wish, pitch: Pitch): number =>
  wishCounts.reduce((sum, line) => sum + wish[line] * areaMm2(line, pitch), 0) / FILL / 100;

/** What the wish itself runs into, whatever the controller: size and sockets. */
export function wishTroubles(wish: Wish, pitch: Pitch, making: Making): string[] {
  const area = leastAreaCm2(wish, pitch);
  const troubles: string[] = [];
  if (wish.fits100 && area > 100)
    troubles.push(`The controls take about ${Math.round(area)} cm² with gaps; 100 × 100 mm has 100.`);
  const bed = making.beds[0];
  if (wish.onePiecePrint && bed && area > (bed.widthMm * bed.heightMm) / 100)
    troubles.push(
      `The controls take about ${Math.round(area)} cm²; the ${bed.name.toLowerCase()} has ${Math.round((bed.widthMm * bed.heightMm) / 100)}, so one piece will not do.`,
    );
  if (wish.hotSwap && wish.making === "hand-wired")
    troubles.push("Switch sockets sit on a made board; hand-wired switches are soldered.");
  return troubles;
}
