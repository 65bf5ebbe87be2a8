import type { CasePlastic, CaseSheet } from "../document/caseSettings";

/** A plastic for printing: g a cm³ (common data sheets), and money units a kg (from memory). */
export interface Plastic {
  id: CasePlastic;
  title: string;
  gramPerCm3: number;
  pricePerKg: number;
  /** What it is chosen or avoided for. */
  note: string;
}

export const plastics: Plastic[] = [
  { id: "PLA", title: "PLA", gramPerCm3: 1.24, pricePerKg: 20, note: "Stiff and easy; softens in a hot car." },
  { id: "PETG", title: "PETG", gramPerCm3: 1.27, pricePerKg: 22, note: "Tougher, to about 70 °C." },
  { id: "ABS", title: "ABS", gramPerCm3: 1.04, pricePerKg: 22, note: "To about 95 °C; warps, and gives off fumes." },
  { id: "PA12", title: "PA 12, sintered", gramPerCm3: 0.95, pricePerKg: 60, note: "From a service; no supports." },
];

export const plasticNamed = (id: CasePlastic): Plastic => plastics.find((one) => one.id === id)!;

/** Sheet: g a cm³ and money units a m² for each mm (from memory). */
export const sheets: { id: CaseSheet; title: string; gramPerCm3: number; pricePerM2Mm: number }[] = [
  { id: "acrylic", title: "acrylic", gramPerCm3: 1.19, pricePerM2Mm: 14 },
  { id: "plywood", title: "plywood", gramPerCm3: 0.65, pricePerM2Mm: 6 },
  { id: "fibreboard", title: "fibreboard", gramPerCm3: 0.75, pricePerM2Mm: 3 },
];

export const sheetNamed = (id: CaseSheet) => sheets.find((one) => one.id === id)!;

/** Skin of a print: three lines of 0.45 mm; what lies deeper is filled to a fifth (common practice). */
const SKIN_MM = 1.35;
const FILL = 0.2;
/** A 0.4 mm nozzle lays 0.2 × 0.45 mm at 60 mm/s; turning, travel and slow first layers take about as much again (from memory). */
const MM3_A_SECOND = 0.2 * 0.45 * 60 * 0.55;

/**
 * What a print takes, roughly: a skin on every face, the rest filled in part.
 * @param volumeMm3 of the solid
 * @param areaMm2 of its surface
 * @returns grams, and hours on a usual printer (within a third, from memory)
 */
export function printOf(plastic: Plastic, volumeMm3: number, areaMm2: number): { grams: number; hours: number } {
  const skin = Math.min(volumeMm3, areaMm2 * SKIN_MM);
  const isFilled = plastic.id === "PA12";
  const laid = isFilled ? volumeMm3 : skin + FILL * (volumeMm3 - skin);
  return { grams: (laid / 1000) * plastic.gramPerCm3, hours: laid / MM3_A_SECOND / 3600 };
}
