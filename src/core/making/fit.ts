import type { Design } from "../document/schema";
import { boardRings } from "../layout/boardOutline";
import { type BedFit, type Rectangle, fitInto, smallestRectangle } from "../geometry/smallestRectangle";
import type { Bed, PriceStep } from "../document/makingSettings";

export interface BoardFit {
  boardId: string;
  rectangle: Rectangle;
  beds: { bed: Bed; fit: BedFit }[];
  /** The cheapest step of the board house that takes it; null when none does. */
  step: PriceStep | null;
  /** A step that a little less would reach, with how much is too much. */
  nearMiss: { step: PriceStep; overMm: number } | null;
}

/** Nearly small enough for a cheaper step: worth a word. */
const NEAR_MM = 15;

const overBy = ({ upToWidthMm, upToHeightMm }: PriceStep, { widthMm, heightMm }: Rectangle): number => {
  const [long, short] = [Math.max(widthMm, heightMm), Math.min(widthMm, heightMm)];
  const [most, least] = [Math.max(upToWidthMm, upToHeightMm), Math.min(upToWidthMm, upToHeightMm)];
  return Math.max(long - most, short - least);
};

/** Smallest rectangle of every board against the beds and the steps of price. */
export function boardFits(design: Design): BoardFit[] {
  const { beds, priceSteps } = design.making;
  return design.boards.flatMap((board, nth) => {
    const ring = boardRings(design)[nth];
    if (!ring) return [];
    const rectangle = smallestRectangle(ring);
    const taking = priceSteps.filter((step) => overBy(step, rectangle) <= 1e-9).sort((a, b) => a.price - b.price);
    const cheaper = priceSteps
      .filter((step) => step.price < (taking[0]?.price ?? Infinity))
      .map((step) => ({ step, overMm: overBy(step, rectangle) }))
      .filter(({ overMm }) => overMm > 1e-9 && overMm <= NEAR_MM)
      .sort((a, b) => a.overMm - b.overMm);
    return [
      {
        boardId: board.id,
        rectangle,
        beds: beds.map((bed) => ({ bed, fit: fitInto(ring, bed) })),
        step: taking[0] ?? null,
        nearMiss: cheaper[0] ?? null,
      },
    ];
  });
}
