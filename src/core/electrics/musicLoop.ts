/**
 * The current loop of MIDI 1.0 (hardware; its 3.3 V form: electrical update of 2014; values from memory): from the supply through a resistor to pin
 * 4, through the receiver's resistor and the light of its coupler back on pin 5, through a resistor into the transmitter.
 */
export const RECEIVER_OHM = 220;
/** The coupler's light, and what a pin leaves between itself and ground (typical; from memory). */
const LIGHT_V = 1.5;
const PIN_V = 0.2;

/** What a receiver is sure to hear, and what it stands: 5 mA is meant (common practice: a good half more or less still does). */
export const LOOP_MA = { least: 3.5, most: 8 } as const;

export interface LoopResistors {
  sourceOhm: number;
  dataOhm: number;
}

/** The current while a 0 is sent, in mA. @param volts of the transmitter's logic */
export const loopMa = (volts: number, { sourceOhm, dataOhm }: LoopResistors): number =>
  (1000 * Math.max(0, volts - LIGHT_V - PIN_V)) / (sourceOhm + dataOhm + RECEIVER_OHM);

/** What the standard names for a logic of these volts, in ohm. */
export const standardLoop = (volts: number): LoopResistors =>
  volts > 4 ? { sourceOhm: 220, dataOhm: 220 } : { sourceOhm: 33, dataOhm: 10 };
