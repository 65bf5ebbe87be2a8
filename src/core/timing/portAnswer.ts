/**
 * Cycles from a clock edge to the new level: what the runtime takes for a bit, 35, measured on the simulated 8-bit core
 * (tests/firmware/padPort.test.ts); and entering an interrupt, keeping its registers and setting the pin, 50 (from memory).
 */
export const PORT_CYCLES = { BIT: 35, INTERRUPT: 50 } as const;

/** How long a controller takes to answer a clock edge of a pad port, in µs, with nothing in its way. */
export const portAnswerUs = (clockMhz: number): number => (PORT_CYCLES.BIT + PORT_CYCLES.INTERRUPT) / clockMhz;

/** A console looks half a period after the edge that shifts (common practice). */
export const portDeadlineUs = (clockUs: number): number => clockUs / 2;

/** How long one reading takes: the latch pulse, then a period for each bit. */
export const portReadingUs = (latchUs: number, clockUs: number, bits: number): number => latchUs + clockUs * bits;
