import type { Ring } from "../geometry/ring";
import type { DxfLayer } from "./dxfR12";

const num = (value: number) => String(Math.round(value * 1e4) / 1e4);

export const escapeXml = (text: string): string =>
  text.replace(/[&<>"]/g, (sign) => ({ "&": "&amp;", "<": "&lt;", ">": "&gt;", '"': "&quot;" })[sign]!);

export const ringData = (ring: Ring): string => `M${ring.map((p) => `${num(p.xMm)} ${num(p.yMm)}`).join("L")}Z`;

export interface SheetBox {
  minXMm: number;
  minYMm: number;
  maxXMm: number;
  maxYMm: number;
}

/** One user unit is one millimetre. */
export const svgOpen = (box: SheetBox): string => {
  const [width, height] = [num(box.maxXMm - box.minXMm), num(box.maxYMm - box.minYMm)];
  return `<svg xmlns="http://www.w3.org/2000/svg" width="${width}mm" height="${height}mm" viewBox="${num(box.minXMm)} ${num(box.minYMm)} ${width} ${height}">`;
};

const STROKES: Record<number, string> = {
  1: "#c0392b",
  2: "#7a6a00",
  3: "#1b7f4d",
  5: "#1d4f91",
  7: "#000000",
  8: "#777777",
};
const HAIRLINE_MM = 0.1;

/** A named layer as a group of closed paths and words. */
export function svgLayer({ name, colour, rings, texts }: DxfLayer): string {
  const paths = rings.map((ring) => `<path d="${ringData(ring)}"/>`).join("\n");
  const words = texts
    .map(
      ({ xMm, yMm, rotationDeg, text }) =>
        `<text transform="translate(${num(xMm)} ${num(yMm)}) rotate(${num(rotationDeg)})" text-anchor="middle" font-size="3" font-family="sans-serif" stroke="none" fill="${STROKES[colour]}">${escapeXml(text)}</text>`,
    )
    .join("\n");
  return `<g id="${name}" fill="none" stroke="${STROKES[colour]}" stroke-width="${HAIRLINE_MM}">\n${paths}${words}\n</g>`;
}

export function boxAround(rings: Ring[], marginMm: number): SheetBox {
  const all = rings.flat();
  return {
    minXMm: Math.min(...all.map((p) => p.xMm)) - marginMm,
    minYMm: Math.min(...all.map((p) => p.yMm)) - marginMm,
    maxXMm: Math.max(...all.map((p) => p.xMm)) + marginMm,
    maxYMm: Math.max(...all.map((p) => p.yMm)) + marginMm,
  };
}
