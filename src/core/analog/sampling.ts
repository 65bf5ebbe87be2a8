import type { ControllerProfile } from "../catalogue/controllers/controllerProfile";
import { parallelOhm } from "../electrics/divider";

type Converter = NonNullable<ControllerProfile["converter"]>;

/** On resistance of an analog switch of the 74HC4051 and 74HC4067 sort at 5 V and at 3.3 V (data sheets, typical). */
export const switchOhm = (logicV: number): number => (logicV >= 4.5 ? 70 : 120);

/** Time constants until a capacitor is within half a step of so many bits: ln 2^(bits + 1). */
export const timeConstants = (bits: number): number => (bits + 1) * Math.LN2;

/** Largest source resistance, in ohm, with which a converter samples to within half a step. */
export const mostSourceOhm = ({ samplePf, sampleUs, bits }: Converter): number =>
  (sampleUs * 1e-6) / (samplePf * 1e-12 * timeConstants(bits));

/** How far a reading falls short with a source resistance, in counts, from the worst level before. */
export function sampleErrorCounts(converter: Converter, sourceOhm: number): number {
  const { samplePf, sampleUs, bits } = converter;
  return 2 ** bits * Math.exp((-sampleUs * 1e-6) / (sourceOhm * samplePf * 1e-12));
}

/** A track's source resistance is largest at its middle: both halves in parallel. */
export const trackSourceOhm = (trackOhm: number): number => parallelOhm(trackOhm / 2, trackOhm / 2);

/** Corner of a resistor and a capacitor, in Hz. */
export const cornerHz = (ohm: number, farad: number): number => 1 / (2 * Math.PI * ohm * farad);
