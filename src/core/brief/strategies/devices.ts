import { type Circuit, circuitKindNamed } from "../../circuits";
import { displayPlaces } from "../../circuits/busDisplays";
import { LIGHT_DATA_V } from "../../circuits/lightChain";
import { readNeed } from "../../circuits/net";
import { sumParts } from "../../catalogue/prices";
import { type Probe, probeElements, costOf } from "./probe";
import { type Certainty, type StrategyContext, type StrategyCost, noCost } from "./strategy";

/** Current of an addressable light at full white, and of a USB port, in mA (common practice). */
const LIGHT_MA = 40;
const PORT_MA = 500;
/** Identical displays answer to one of two addresses (common practice); the circuit starts with that too. */
const DISPLAY_ADDRESSES = 2;

/** Devices of one kind in their own circuit, planned as that circuit. */
function inCircuit(kind: Circuit["kind"], probe: Probe, change: object = {}): StrategyCost {
  if (probe.count === 0) return noCost;
  const elements = probeElements([probe]);
  const { stem, title, fresh, with: add } = circuitKindNamed(kind);
  return costOf(add({ ...fresh(stem, title), ...change } as Circuit, [...elements.keys()]), elements, 0);
}

const beyond = (count: number): Certainty[] =>
  count > displayPlaces(DISPLAY_ADDRESSES)
    ? [{ weight: "warn", words: `a bus tells ${displayPlaces(DISPLAY_ADDRESSES)} displays apart, not ${count}` }]
    : [];

const hungry = (lights: number): Certainty[] => {
  const mA = lights * LIGHT_MA;
  if (mA <= PORT_MA) return [];
  const words = `${lights} lights take ${(mA / 1000).toFixed(1)} A at full white: limit them or feed them apart`;
  return [{ weight: "note", words }];
};

/** What has only one sensible strategy: light chain 1 pin, segment drivers 3, displays 2 shared, radio 3 shared + 3. */
export function devicesPlan({ wish, profile }: StrategyContext): StrategyCost {
  const radios = wish.radios + (wish.connection === "radio" && wish.radios === 0 && !profile.radio ? 1 : 0);
  const all: StrategyCost[] = [
    { ...inCircuit("bus-displays", { kind: "display", count: wish.displays }), certainty: beyond(wish.displays) },
    {
      ...inCircuit("light-chain", { kind: "light", count: wish.lights }, { shifted: profile.logicV < LIGHT_DATA_V }),
      certainty: hungry(wish.lights),
    },
    inCircuit("spi-radio", { kind: "radio", count: radios }),
    inCircuit("segment-chain", { kind: "segments", count: wish.segments }, { shifted: profile.logicV < LIGHT_DATA_V }),
    inCircuit("direct", { kind: "buzzer", count: wish.buzzers }),
    inCircuit("direct", { kind: "motor", count: wish.motors }),
    wish.connection === "pad-port"
      ? { ...noCost, pins: [{ what: "pad port lines", need: { ...readNeed, interrupt: true }, count: 3 }] }
      : noCost,
  ];
  return {
    ...noCost,
    pins: all.flatMap(({ pins }) => pins),
    parts: sumParts(all.map(({ parts }) => parts)),
    shared: all.flatMap(({ shared }) => shared),
    certainty: all.flatMap(({ certainty }) => certainty),
  };
}
