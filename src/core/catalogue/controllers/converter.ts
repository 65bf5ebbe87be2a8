import type { ControllerProfile } from "./controllerProfile";

/** 5 V logic is the 8-bit class's. */
const LOGIC_5V = 4.5;

/** Reading of a voltage. 10 bits, 14 pF and 1.5 cycles of 125 kHz are typical of the 8-bit class (from memory). */
const CONVERTER_10 = { bits: 10, conversionUs: 104, samplePf: 14, sampleUs: 12 };
/** Typical of 3.3 V 32-bit classes (from memory). */
const CONVERTER_12 = { bits: 12, conversionUs: 2, samplePf: 8, sampleUs: 0.3 };

export const converterOf = (profile: ControllerProfile): NonNullable<ControllerProfile["converter"]> =>
  profile.converter ?? (profile.logicV >= LOGIC_5V ? CONVERTER_10 : CONVERTER_12);

/** Bits of a controller's converter; of the 8-bit class's while none is chosen. */
export const converterBits = (profile: ControllerProfile | null | undefined): number =>
  profile ? converterOf(profile).bits : CONVERTER_10.bits;
