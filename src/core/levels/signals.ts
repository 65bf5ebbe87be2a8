import type { Circuit } from "../circuits";
import type { BuiltCircuit } from "../circuits/circuitKind";
import type { ControllerProfile } from "../catalogue/controllers/controllerProfile";
import { derive } from "../derived/derive";
import type { Design } from "../document/schema";
import { supplyAt } from "../power/solveSupply";
import type { Way } from "./ways";
import { waysFor } from "./ways";

/** A signal between parts that run on different voltages. */
export interface Signal {
  netId: string;
  flag: string;
  circuitId: string;
  driver: string;
  receiver: string;
  driverV: number;
  receiverV: number;
  /** What the driver surely gives for high and low, and what the receiver surely takes for them. */
  highV: number;
  lowV: number;
  needsHighV: number;
  takesLowV: number;
  /** The most that the receiver's input stands. */
  mostV: number;
  /** Changes a second that the signal needs. */
  hz: number;
  verdict: "fits" | "too low" | "too high";
  ways: Way[];
}

/** What a receiver needs, at its supply. */
interface Receiver {
  title: string;
  volts: number;
  needsHighV: number;
  takesLowV: number;
  mostV: number;
}

/** CMOS inputs take 0.7 and 0.3 of their supply, and half a volt more than it (data sheets of the 74HC family). */
const cmos = (title: string, volts: number): Receiver => ({
  title,
  volts,
  needsHighV: 0.7 * volts,
  takesLowV: 0.3 * volts,
  mostV: volts + 0.5,
});
/** TTL levels whatever the supply (data sheets of the 74HCT and 74AHCT families). */
const ttl = (title: string, volts: number): Receiver => ({ ...cmos(title, volts), needsHighV: 2, takesLowV: 0.8 });

/** A pin gives its supply less this at some milliamperes, and so much for low (typical; from memory). */
const PIN_LOSS_V = 0.2;

/** Rates of the signals: light data, whose shortest pulse is 0.35 µs, clocks of chains and of the serial bus (common practice). */
const LIGHT_HZ = 1_430_000;
const CHAIN_HZ = 1_000_000;
const SERIAL_HZ = 4_000_000;

const given = (profile: ControllerProfile) => ({ highV: profile.logicV - PIN_LOSS_V, lowV: PIN_LOSS_V });

/** From a pin to what a circuit's own parts run on. */
function receiverOf(
  circuit: Circuit,
  built: BuiltCircuit,
  profile: ControllerProfile,
  lightV: number,
): Receiver | null {
  const isShifted = built.chips.some(({ part }) => part === "level-shifter");
  if (isShifted) return ttl("74AHCT125 level shifter", 5);
  if (circuit.kind === "light-chain") return cmos("first light", lightV);
  if (circuit.kind === "segment-chain") return cmos("segment driver", 5);
  if (circuit.kind === "output-registers" && circuit.feed === "5V") return ttl("74HCT595 register", 5);
  // Radio modules stand 5 V at their inputs (typical; from memory).
  if (circuit.kind === "spi-radio") return { ...cmos("radio module", 3.3), mostV: 5.5 };
  return circuit.kind === "output-registers" ? cmos("74HC595 register", profile.logicV) : null;
}

const OUTGOING = ["data", "clock", "latch", "select", "enable"];
const rate = (circuit: Circuit) =>
  circuit.kind === "light-chain" ? LIGHT_HZ : circuit.kind === "spi-radio" ? SERIAL_HZ : CHAIN_HZ;

function verdictOf(signal: Pick<Signal, "highV" | "needsHighV" | "mostV" | "driverV">): Signal["verdict"] {
  if (signal.driverV > signal.mostV) return "too high";
  return signal.highV < signal.needsHighV ? "too low" : "fits";
}

/** Voltage at the first light of a chain at a usual moment. */
function firstLightV(design: Design, circuit: Circuit): number {
  if (circuit.kind !== "light-chain") return 5;
  return supplyAt(design, "typical")?.parts.get(circuit.members[0])?.volts ?? 5;
}

/** Signals that leave the controller for parts on a supply of their own, with what each way across could carry. */
export function signalsOf(design: Design): Signal[] {
  const derived = derive(design);
  const { profile } = derived;
  if (!profile) return [];
  return derived.once("signals", () =>
    design.circuits.flatMap((circuit, nth) => {
      const built = derived.builtCircuits[nth];
      const receiver = receiverOf(circuit, built, profile, firstLightV(design, circuit));
      if (!receiver) return [];
      const nets = built.nets.filter(({ role, need }) => need !== null && OUTGOING.includes(role));
      const own = nets.map(({ id, flag }): Signal => {
        const levels = {
          ...given(profile),
          driverV: profile.logicV,
          receiverV: receiver.volts,
          needsHighV: receiver.needsHighV,
          takesLowV: receiver.takesLowV,
          mostV: receiver.mostV,
        };
        const hz = rate(circuit);
        const ways = waysFor({ ...levels, hz, canLower: circuit.kind === "light-chain" });
        const ends = { driver: profile.title, receiver: receiver.title };
        return { netId: id, flag, circuitId: circuit.id, ...ends, ...levels, hz, verdict: verdictOf(levels), ways };
      });
      return [...own, ...answers(circuit, built, profile)];
    }),
  );
}

/** What a radio answers, and its interrupt, at the controller's inputs. */
function answers(circuit: Circuit, built: BuiltCircuit, profile: ControllerProfile): Signal[] {
  if (circuit.kind !== "spi-radio") return [];
  const nets = built.nets.filter(({ id, role }) => role === "interrupt" || id.endsWith(".in"));
  return nets.map(({ id, flag }) => {
    const levels = {
      driverV: 3.3,
      receiverV: profile.logicV,
      highV: 3.3 - PIN_LOSS_V,
      lowV: PIN_LOSS_V,
      needsHighV: profile.inputHighMinV,
      takesLowV: profile.inputLowMaxV,
      mostV: profile.logicV + 0.5,
    };
    const ways = waysFor({ ...levels, hz: SERIAL_HZ, canLower: false });
    const ends = { driver: "radio module", receiver: profile.title };
    return {
      netId: id,
      flag,
      circuitId: circuit.id,
      ...ends,
      ...levels,
      hz: SERIAL_HZ,
      verdict: verdictOf(levels),
      ways,
    };
  });
}
