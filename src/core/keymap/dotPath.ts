/** Lit dots as a path of runs, a dot a unit: much shorter than a square for each. */
export function dotPath(width: number, height: number, isLit: (x: number, y: number) => boolean): string {
  let path = "";
  for (let y = 0; y < height; y++) {
    for (let x = 0; x < width; x++) {
      if (!isLit(x, y)) continue;
      const from = x;
      while (x + 1 < width && isLit(x + 1, y)) x++;
      path += `M${from} ${y}h${x - from + 1}v1h-${x - from + 1}z`;
    }
  }
  return path;
}
