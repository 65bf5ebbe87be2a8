/** What decides the levels and the speed of a scan. */
export interface ScanElectrics {
  supplyV: number;
  inputLowMaxV: number;
  inputHighMinV: number;
  pullUpMinOhm: number;
  pullUpMaxOhm: number;
  /** On resistance of the driving pin. */
  driverOhm: number;
  /** Of a read line and a driven line, along their whole length. */
  senseOhm: number;
  driveOhm: number;
  /** To ground, of a read line and of a driven line with the pins at their ends. */
  senseF: number;
  driveF: number;
  hasDiode: boolean;
}

export interface ScanCheck {
  /** Level of a read line while its switch is closed, at the strongest pull-up. */
  lowV: number;
  /** What is left to the highest voltage that surely reads low; negative when it is not sure. */
  lowMarginV: number;
  /** From releasing a line until the one read surely reads high again, at the weakest pull-up, in µs. */
  settleUs: number;
}

/** 1N4148 as its published models commonly have it: saturation current and emission factor (from memory). */
const DIODE = { saturationA: 2.52e-9, emission: 1.752, ohm: 0.568 };
/** Thermal voltage at 27 °C. */
const THERMAL_V = 0.02586;

/** Forward voltage of a 1N4148 at a current (Shockley 1949), in V. */
export const diodeDropV = (currentA: number): number =>
  DIODE.emission * THERMAL_V * Math.log(1 + currentA / DIODE.saturationA) + currentA * DIODE.ohm;

/** Level of the read line: what the current through the pull-up leaves over diode, lines and driver. */
function lowLevel(at: ScanElectrics): number {
  const ohm = at.senseOhm + at.driveOhm + at.driverOhm;
  let lowV = 0;
  // A fixed point: the drop hardly changes with the current, so a few rounds are exact to a microvolt.
  for (let round = 0; round < 20; round++) {
    const currentA = (at.supplyV - lowV) / at.pullUpMinOhm;
    lowV = (at.hasDiode ? diodeDropV(currentA) : 0) + currentA * ohm;
  }
  return lowV;
}

/**
 * Levels and settling of a scan by Ohm's and Kirchhoff's laws. After a driven line is let go, the pull-up charges the
 * read line and, through the closed switch, the driven line with it, one diode drop below: t = R · C · ln((V − V₀) /
 * (V − V_high)), C the sum of both lines, from the low level to the voltage that surely reads high.
 */
export function checkScan(at: ScanElectrics): ScanCheck {
  const lowV = lowLevel(at);
  const farads = at.senseF + at.driveF;
  const ratio = (at.supplyV - lowV) / (at.supplyV - at.inputHighMinV);
  const settleUs = 1e6 * at.pullUpMaxOhm * farads * Math.log(Math.max(1, ratio));
  return { lowV, lowMarginV: at.inputLowMaxV - lowV, settleUs };
}
