import type { PartsLine } from "@/core/purchase/partsLine";

export const money = (value: number): string => value.toFixed(2);

/** Pieces by their number, wire in metres. */
export const amountWords = ({ unit }: Pick<PartsLine, "unit">, amount: number): string =>
  unit === "m" ? `${amount.toFixed(2)} m` : String(Math.round(amount));
