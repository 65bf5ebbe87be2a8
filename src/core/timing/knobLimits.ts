import { derive } from "../derived/derive";
import type { Design } from "../document/schema";
import { edgeEncoders } from "../firmware/edgeEncoders";
import { interpreterScan } from "../firmware/interpreterCost";
import { scanTableOf } from "../firmware/scanTable";
import { SCAN_US, millisecondOf } from "./millisecond";

export interface KnobLimit {
  elementId: string;
  label: string;
  statesPerTurn: number;
  /** Told by every edge, or read once a scan. */
  isTold: boolean;
  /** Time in which a state can pass unseen, in µs. */
  blindUs: number;
  /** Turns a second up to which no state is lost. */
  turns: number;
  /** The same while neither lights nor displays are being sent. */
  quietTurns: number;
  /** The same for an interpreter, at its slowest; null where the class has none. */
  interpretedTurns: number | null;
}

/** Shortest time between two edges that the interrupts keep up with: 700 cycles on the simulated 8-bit chip at 16 MHz. */
const EDGE_US = 44;

/** A knob that is told by edges loses one when the next comes too soon, whatever is sent meanwhile; one that is read, between two readings. */
export function knobLimits(design: Design): KnobLimit[] {
  const derived = derive(design);
  return derived.once("knob limits", () => {
    const scan = scanTableOf(design);
    const told = new Set(edgeEncoders(design, scan).map((number) => scan.encoders[number].elementId));
    const { scanUs, gapUs } = millisecondOf(design);
    const { profile } = derived;
    const slowestMs =
      profile?.firmware.interpreted === "runs-usb" ? interpreterScan(design, scan, profile).mostMs : null;
    const turnsIn = (us: number, states: number) => 1e6 / us / states;
    return derived.builtCircuits
      .flatMap(({ encoders }) => encoders)
      .map(({ elementId }) => {
        const { label, turning } = derived.elements.get(elementId)!;
        const statesPerTurn = turning!.stepsPerTurn * turning!.statesPerStep;
        const isTold = told.has(elementId);
        const quietUs = isTold ? EDGE_US : Math.max(SCAN_US, scanUs);
        const blindUs = isTold ? EDGE_US : gapUs;
        return {
          elementId,
          label,
          statesPerTurn,
          isTold,
          blindUs,
          turns: turnsIn(blindUs, statesPerTurn),
          quietTurns: turnsIn(quietUs, statesPerTurn),
          interpretedTurns: slowestMs === null ? null : turnsIn(1000 * Math.max(1, slowestMs), statesPerTurn),
        };
      });
  });
}

/** Knobs that keep the wished speed by themselves, and not while lights or displays are being sent. */
export const blindKnobs = (design: Design): KnobLimit[] =>
  knobLimits(design).filter(({ turns, quietTurns }) => {
    const wished = design.brief.wish.turnsPerSecond;
    return turns < wished && quietTurns >= wished;
  });
