/**
 * The largest whole number from 1 up to `most` for which something holds, when it holds for all smaller ones; null for
 * none.
 * @param guess where it probably lies: two trials there spare the search
 */
export function largestHolding(most: number, guess: number, holdsFor: (value: number) => boolean): number | null {
  if (most < 1) return null;
  let [low, high] = [0, most];
  const near = Math.min(most, Math.max(1, guess));
  if (holdsFor(near)) low = near;
  else high = near - 1;
  if (low === near && near < most) {
    if (holdsFor(near + 1)) low = near + 1;
    else high = near;
  }
  while (low < high) {
    const middle = Math.ceil((low + high) / 2);
    if (holdsFor(middle)) low = middle;
    else high = middle - 1;
  }
  return low > 0 ? low : null;
}
