import { type Divider, dividerNear } from "../electrics/divider";

/** One way for a signal to get from one voltage to another. */
export interface Way {
  id: "direct" | "divider" | "buffer" | "open drain" | "diode";
  title: string;
  /** Fastest square wave that it carries, in Hz. */
  fastestHz: number;
  /** High level that arrives, in V. */
  highV: number;
  /** Whether levels, limits and rate are kept. */
  works: boolean;
  why: string;
}

interface Crossing {
  driverV: number;
  highV: number;
  receiverV: number;
  needsHighV: number;
  mostV: number;
  hz: number;
  /** Whether the receiver's supply may be lowered. */
  canLower: boolean;
}

/** A receiver's input with some wire (from memory: 20 pF), a pin's resistance, a level shifter's pull-up and delay. */
export const LOAD_F = 20e-12;
const PIN_OHM = 50;
export const SHIFTER_OHM = 10_000;
const BUFFER_DELAY_S = 10e-9;
const DIODE_V = 0.85;
/** Supplies of parts whose inputs follow them. */
const CMOS_HIGH = 0.7;

/** From 10 to 90 % of an exponential edge takes 2.2 time constants; a square wave needs two such edges. */
export const fastestHz = (ohm: number, farad = LOAD_F): number => 1 / (2 * 2.2 * ohm * farad);

/** Supplies that differ by less than their own tolerance are one voltage (common practice: a tenth). */
const SAME = 1.1;

/** A divider that brings a higher level just down to the receiver's supply, of 1 to 5 kΩ: less loads the pin. */
export function dividerFor(driverV: number, receiverV: number): Divider | null {
  return driverV > SAME * receiverV ? dividerNear(receiverV / driverV, 1000, 2500, "E24") : null;
}

const fits = (highV: number, { needsHighV, mostV }: Crossing) => highV >= needsHighV && highV <= mostV;

function way(
  crossing: Crossing,
  id: Way["id"],
  title: string,
  fastest: number,
  highV: number,
  why: string,
  isFit = fits(highV, crossing),
): Way {
  return { id, title, fastestHz: fastest, highV, works: isFit && fastest >= crossing.hz, why };
}

/** Every way across, side by side, with the fastest signal that resistance and capacitance let it carry. */
export function waysFor(crossing: Crossing): Way[] {
  const { driverV, highV, receiverV, canLower } = crossing;
  const direct = way(crossing, "direct", "direct", fastestHz(PIN_OHM), highV, "nothing between");
  const ways = [direct];
  const divider = dividerFor(driverV, receiverV);
  if (divider) {
    const words = `${divider.topOhm} Ω over ${divider.bottomOhm} Ω, one way down only`;
    ways.push(way(crossing, "divider", "divider", fastestHz(divider.sourceOhm), highV * divider.ratio, words));
  }
  const isUp = driverV <= receiverV;
  const buffered = isUp ? "74AHCT125 on the receiver's supply" : "74LVC buffer on the receiver's supply";
  ways.push(way(crossing, "buffer", "one-way buffer", 1 / (4 * BUFFER_DELAY_S), receiverV, buffered));
  ways.push(
    way(
      crossing,
      "open drain",
      "open-drain two-way shifter",
      fastestHz(SHIFTER_OHM),
      receiverV,
      `rises through ${SHIFTER_OHM / 1000} kΩ`,
    ),
  );
  if (canLower && isUp) {
    const lowered = CMOS_HIGH * (receiverV - DIODE_V);
    const isFit = highV >= lowered;
    ways.push(
      way(
        crossing,
        "diode",
        "a diode in the receiver's supply",
        fastestHz(PIN_OHM),
        highV,
        `it then needs ${lowered.toFixed(2)} V only`,
        isFit,
      ),
    );
  }
  return ways;
}
