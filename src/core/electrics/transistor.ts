import { seriesAbove } from "./eSeries";

/** Base and emitter of a conducting small transistor (2N3904 class, typical). */
const BASE_V = 0.7;
/** A tenth of the collector's current saturates it for sure; a thirtieth does by its least gain (data sheet, 2N3904). */
const SURE_GAIN = 10;
/** What a pin gives without its level falling off, as a part of its limit. */
const PIN_PART = 0.5;

export interface BaseResistor {
  ohm: number;
  baseMa: number;
  /** Collector current by base current: up to 30 the transistor is surely saturated. */
  gain: number;
}

/**
 * The resistor before a transistor's base, of the E12 series: a tenth of what it switches, or half of what the pin gives.
 * @param pinV of the pin's high level, above 0.7
 */
export function baseResistor(pinV: number, collectorMa: number, pinMa: number): BaseResistor {
  const wishedMa = Math.min(collectorMa / SURE_GAIN, PIN_PART * pinMa);
  const ohm = seriesAbove("E12", (1000 * (pinV - BASE_V)) / wishedMa);
  const baseMa = (1000 * (pinV - BASE_V)) / ohm;
  return { ohm, baseMa, gain: collectorMa / baseMa };
}
