/** How the mat is seen: pixels a millimetre, and where the mat's origin lies in the window. */
export interface View {
  scale: number;
  x: number;
  y: number;
}

export interface Box {
  minXMm: number;
  minYMm: number;
  maxXMm: number;
  maxYMm: number;
}

const LEAST_SCALE = 0.4;
const MOST_SCALE = 40;
/** Room for the rulers, the lens choice and the zoom signs. */
const FIT_MARGIN_PX = { across: 58, down: 48 };

const clamp = (scale: number) => Math.min(MOST_SCALE, Math.max(LEAST_SCALE, scale));

const FIT_SCALE = 6;

/** The view that shows a box whole and in the middle, at most at the scale given. */
export function fitView(box: Box, widthPx: number, heightPx: number, mostScale = FIT_SCALE): View {
  const w = Math.max(20, box.maxXMm - box.minXMm);
  const h = Math.max(20, box.maxYMm - box.minYMm);
  const scale = clamp(
    Math.min((widthPx - 2 * FIT_MARGIN_PX.across) / w, (heightPx - 2 * FIT_MARGIN_PX.down) / h, mostScale),
  );
  return {
    scale,
    x: widthPx / 2 - ((box.minXMm + box.maxXMm) / 2) * scale,
    y: heightPx / 2 + 14 - ((box.minYMm + box.maxYMm) / 2) * scale,
  };
}

/** Zooms about a place in the window that stays where it is. */
export function zoomAbout(view: View, factor: number, xPx: number, yPx: number): View {
  const scale = clamp(view.scale * factor);
  const by = scale / view.scale;
  return { scale, x: xPx - (xPx - view.x) * by, y: yPx - (yPx - view.y) * by };
}

/** The distance of a ruler's ticks in mm, so that numbers stand at least 45 px apart. */
export const tickStepMm = (scale: number): number =>
  [1, 2, 5, 10, 20, 50, 100, 200].find((step) => step * scale >= 45) ?? 500;
