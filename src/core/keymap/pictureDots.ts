import type { PictureThing } from "../document/displayPages";

const EIGHT = 8;

/** A picture's dots as rows of text, "#" lit and "." dark. */
export function pictureRows({ columns, rows, dots }: PictureThing): string[] {
  const byte = (nth: number) => parseInt(dots.slice(2 * nth, 2 * nth + 2), 16) || 0;
  return Array.from({ length: EIGHT * rows }, (_, y) =>
    Array.from({ length: columns }, (_, x) => {
      const told = byte(Math.floor(y / EIGHT) * columns + x);
      return (told >> (y % EIGHT)) & 1 ? "#" : ".";
    }).join(""),
  );
}

/** The other way round: whole rows of eight dots, what is missing is dark; null where there is nothing. */
export function pictureOf(
  lines: readonly string[],
  isLit: (sign: string) => boolean = (sign) => sign !== "." && sign !== " ",
): Pick<PictureThing, "columns" | "rows" | "dots"> | null {
  const columns = Math.max(0, ...lines.map(({ length }) => length));
  const rows = Math.ceil(lines.length / EIGHT);
  if (columns === 0 || rows === 0) return null;
  let dots = "";
  for (let row = 0; row < rows; row++)
    for (let x = 0; x < columns; x++) {
      let byte = 0;
      for (let bit = 0; bit < EIGHT; bit++) if (isLit(lines[EIGHT * row + bit]?.[x] ?? ".")) byte |= 1 << bit;
      dots += byte.toString(16).padStart(2, "0");
    }
  return { columns, rows, dots };
}

/** Dots of a picture by how bright its points are, 0 to 255: lit from the middle on. */
export const pictureOfPoints = (width: number, height: number, brightness: (x: number, y: number) => number) =>
  pictureOf(
    Array.from({ length: height }, (_, y) =>
      Array.from({ length: width }, (_, x) => (brightness(x, y) >= 128 ? "#" : ".")).join(""),
    ),
  );
