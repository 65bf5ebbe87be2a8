/** Input thresholds and pull-ups of 3.3 V parts (typical of the class; from memory). */
export const logic3v3 = {
  logicV: 3.3,
  inputLowMaxV: 0.8,
  inputHighMinV: 2,
  pullUpMinOhm: 50_000,
  pullUpMaxOhm: 80_000,
  pinCurrentMa: 4,
  allPinsCurrentMa: 50,
} as const;

/** Input thresholds and pull-ups of 5 V 8-bit parts (typical of the class; from memory). */
export const logic5v = {
  logicV: 5,
  inputLowMaxV: 1.5,
  inputHighMinV: 3,
  pullUpMinOhm: 20_000,
  pullUpMaxOhm: 50_000,
  pinCurrentMa: 20,
  allPinsCurrentMa: 200,
} as const;
