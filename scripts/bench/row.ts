/** One line of the speed table. */
export interface Row {
  what: string;
  measured: string;
  limit: string;
  ratio: number;
}

export function median(values: number[]): number {
  const sorted = [...values].sort((a, b) => a - b);
  return sorted[Math.floor(sorted.length / 2)];
}
