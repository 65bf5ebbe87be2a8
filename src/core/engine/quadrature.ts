/** Contacts closed in the four quadrature states, clockwise: A leads B. */
export const QUADRATURE = [
  { A: true, B: false },
  { A: true, B: true },
  { A: false, B: true },
  { A: false, B: false },
] as const;
