/** Reads "12.5" and "12,5", with or without the unit. */
export function readNumber(text: string): number | null {
  const plain = text
    .trim()
    .replace(/\s*(mm|°|u|ms|µs|mA)$/i, "")
    .replace("−", "-")
    .replace(",", ".");
  return /^[+-]?(\d+\.?\d*|\.\d+)$/.test(plain) ? Number(plain) : null;
}
