import { derive } from "../derived/derive";
import type { Design } from "../document/schema";
import { parallelOhm } from "../electrics/divider";
import { seriesAbove, seriesBelow } from "../electrics/eSeries";
import { wiresOf } from "../wires/wires";

type Khz = Design["buses"][number]["khz"];

/**
 * Rise time from 30 to 70 % in ns and the current that a low output sinks in mA, by clock: Standard-mode, Fast-mode and
 * Fast-mode Plus (I²C-bus specification, tables of the characteristics of SDA and SCL).
 */
const MODES: Record<Khz, { riseNs: number; sinkMa: number; mostPf: number }> = {
  100: { riseNs: 1000, sinkMa: 3, mostPf: 400 },
  400: { riseNs: 300, sinkMa: 3, mostPf: 400 },
  1000: { riseNs: 120, sinkMa: 20, mostPf: 550 },
};
/** Highest level of a low output at the sink current, above 2 V of supply (the same tables). */
const LOW_V = 0.4;
/** From 30 to 70 % of a charging curve in time constants: ln(0.7 / 0.3) (the specification, pull-up resistor sizing). */
const RISE = Math.log(0.7 / 0.3);

export interface PullUpLimits {
  leastOhm: number;
  mostOhm: number;
}

/** Lowest and highest pull-up of a bus. @param volts of its supply @param pf its capacitance */
export const pullUpLimits = (volts: number, pf: number, khz: Khz): PullUpLimits => ({
  leastOhm: (1000 * (volts - LOW_V)) / MODES[khz].sinkMa,
  mostOhm: (MODES[khz].riseNs * 1e-9) / (RISE * pf * 1e-12),
});

/** Capacitance of a pin of a part on the bus, and of a millimetre of wire (from memory: 10 pF, 0.1 pF/mm). */
const PIN_PF = 10;
const WIRE_PF_PER_MM = 0.1;

export interface BusCheck extends PullUpLimits {
  bus: number;
  khz: Khz;
  /** Pins on a line, the controller's own included. */
  parts: number;
  pf: number;
  mostPf: number;
  /** Drawn here, and with what modules carry in parallel, in ohm. */
  drawnOhm: number;
  modulesOhm: number | null;
  wholeOhm: number;
  /** Of the E24 series, within the limits together with the modules'; null where none is. */
  proposedOhm: number | null;
  riseNs: number;
}

/** Pull-ups that modules on a bus carry themselves, in parallel; null where none does. */
function modulesOhmOf(design: Design, netId: string): number | null {
  const { netById, controls } = derive(design);
  const own = (netById.get(netId)?.joints ?? []).flatMap(({ controlId }) => {
    const control = controls.get(controlId);
    return control?.kind === "display" && control.pullUpOhm ? [control.pullUpOhm] : [];
  });
  return own.length === 0 ? null : own.reduce(parallelOhm);
}

function proposed(limits: PullUpLimits, modulesOhm: number | null): number | null {
  if (limits.leastOhm > limits.mostOhm) return null;
  // In the middle of what is allowed, by ratio; what the modules carry is taken off.
  const wished = Math.sqrt(limits.leastOhm * limits.mostOhm);
  const drawn = (whole: number) => (modulesOhm === null ? whole : (whole * modulesOhm) / (modulesOhm - whole));
  if (modulesOhm !== null && modulesOhm < limits.leastOhm) return null;
  const target = modulesOhm !== null && wished >= modulesOhm ? 1e6 : drawn(wished);
  const value = target >= 1e6 ? 1e6 : seriesAbove("E24", target);
  const whole = modulesOhm === null ? value : parallelOhm(value, modulesOhm);
  if (whole <= limits.mostOhm) return whole >= limits.leastOhm ? value : null;
  const lower = seriesBelow("E24", drawn(limits.mostOhm));
  return lower > 0 ? lower : null;
}

/** Every two-wire bus of a design against the specification; null without a controller. */
export function busChecks(design: Design): BusCheck[] {
  const derived = derive(design);
  const { profile } = derived;
  if (!profile) return [];
  return derived.once("bus checks", () =>
    [0, 1, 2, 3].flatMap((bus) => {
      const netId = `i2c${bus}.SDA`;
      const net = derived.netById.get(netId);
      const shunt = derived.shuntById.get(`i2c${bus}.pull-up SDA`);
      if (!net || !shunt) return [];
      const khz = design.buses.find((one) => one.bus === bus)?.khz ?? 400;
      const parts = 1 + net.joints.filter(({ controlId }) => !derived.shuntById.has(controlId)).length;
      const wireMm = wiresOf(design).reduce((sum, wire) => sum + (wire.netId === netId ? wire.cutMm : 0), 0);
      const pf = parts * PIN_PF + wireMm * WIRE_PF_PER_MM;
      const drawnOhm = design.buses.find((one) => one.bus === bus)?.pullUpOhm ?? 4700;
      const modulesOhm = modulesOhmOf(design, netId);
      const wholeOhm = modulesOhm === null ? drawnOhm : parallelOhm(drawnOhm, modulesOhm);
      const limits = pullUpLimits(profile.logicV, pf, khz);
      const { mostPf } = MODES[khz];
      const riseNs = RISE * wholeOhm * pf * 1e-3;
      const proposedOhm = proposed(limits, modulesOhm);
      return [{ bus, khz, parts, pf, mostPf, drawnOhm, modulesOhm, wholeOhm, proposedOhm, riseNs, ...limits }];
    }),
  );
}
