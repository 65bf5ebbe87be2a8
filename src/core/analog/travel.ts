/** What a lever, a knob or a slide makes of a converter. */
export interface Travel {
  /** Of the track that the hand uses, 0 to 1. */
  usedPart: number;
  counts: number;
  countsPerDegree: number;
  /** Degrees of the hand that the converter's noise hides. */
  noiseDegrees: number;
  /** Degrees of the wiper by those of the hand that would use the whole track but a margin at each end. */
  fullRatio: number;
}

/** A reading of a pot is uncertain by so many counts of 10 bits (from memory). */
const NOISE_PART = 2 / 1024;
/** Ends of tracks are not sure: so much is left on each side. */
const END_PART = 0.05;

/**
 * @param travelDeg of the track from end to end
 * @param handDeg how far the hand moves its lever
 * @param ratio degrees of the wiper for each of the hand's
 */
export function travelOf(travelDeg: number, handDeg: number, ratio: number, bits: number): Travel {
  const usedPart = Math.min(1, (handDeg * ratio) / travelDeg);
  const counts = usedPart * 2 ** bits;
  return {
    usedPart,
    counts,
    countsPerDegree: counts / handDeg,
    noiseDegrees: (NOISE_PART * travelDeg) / ratio,
    fullRatio: ((1 - 2 * END_PART) * travelDeg) / handDeg,
  };
}
