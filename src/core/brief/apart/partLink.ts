import { LIMITS } from "../../contract/contract";
import { LINK } from "../../contract/link";

/**
 * Two controllers over a serial line. 250,000 bit a second divides evenly from 8 and 16 MHz; a byte is ten bits with its start and stop.
 * A frame tells every contact of the far part: begin, number, check value of 16 bits and what ends it stand around them.
 */
const BITS_A_BYTE = 10;
const AROUND_BYTES = 1 + LINK.AROUND;
/** A knob's steps since the last frame. */
const BYTES_A_KNOB = 1;

/** What a far part has to tell. */
export interface FarInputs {
  switches: number;
  knobs: number;
  voltages: number;
}

/** A voltage is told by two bytes. */
const told = ({ switches, knobs, voltages }: FarInputs) =>
  Math.ceil(switches / 8) + BYTES_A_KNOB * knobs + 2 * voltages;

/** Bytes of a frame that tells all of it. */
export const frameBytes = (far: FarInputs): number => AROUND_BYTES + told(far);

/** Time of a frame on the line, in ms. */
export const frameMs = (far: FarInputs): number => (1000 * BITS_A_BYTE * frameBytes(far)) / LINK.BITS_A_SECOND;

/** Modules that the main controller asks in turn. */
export const MODULES_ON_A_BUS = LIMITS.PARTS - 1;
