/** Lines rather than one long text, so that a difference names the first line that differs. */
export const firstDifference = (a: string, b: string) => {
  const [left, right] = [a.split("\n"), b.split("\n")];
  const at = left.findIndex((line, i) => line !== right[i]);
  return at < 0 && left.length === right.length ? null : `line ${at + 1}: "${left[at]}" against "${right[at]}"`;
};
