import { type Circuit, circuitKindNamed } from "../../circuits";
import { displayPlaces } from "../../circuits/busDisplays";
import { readNeed } from "../../circuits/net";
import { sumParts } from "../../catalogue/prices";
import { type Probe, probeElements, wayOf } from "./probe";
import { type Certainty, type WayContext, type WayPlan, noPlan } from "./way";

/** 5 V lights want a data level near 3.5 V (common practice). */
const LIGHT_DATA_V = 3.5;
/** Current of an addressable light at full white, and of a USB port, in mA (common practice). */
const LIGHT_MA = 40;
const PORT_MA = 500;
/** Identical displays answer to one of two addresses (common practice); the circuit starts with that too. */
const DISPLAY_ADDRESSES = 2;

/** Devices of one kind in their own circuit, planned as that circuit. */
function inCircuit(kind: Circuit["kind"], probe: Probe, change: object = {}): WayPlan {
  if (probe.count === 0) return noPlan;
  const elements = probeElements([probe]);
  const { stem, title, fresh, with: add } = circuitKindNamed(kind);
  return wayOf(add({ ...fresh(stem, title), ...change } as Circuit, [...elements.keys()]), elements, 0);
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

/** What has only one sensible way: light chain 1 pin, segment drivers 3, displays 2 shared, radio 3 shared + 3. */
export function devicesPlan({ wish, profile }: WayContext): WayPlan {
  const radios = wish.radios + (wish.connection === "radio" && wish.radios === 0 && !profile.radio ? 1 : 0);
  const all: WayPlan[] = [
    { ...inCircuit("bus-displays", { kind: "display", count: wish.displays }), certainty: beyond(wish.displays) },
    {
      ...inCircuit("light-chain", { kind: "light", count: wish.lights }, { shifted: profile.logicV < LIGHT_DATA_V }),
      certainty: hungry(wish.lights),
    },
    inCircuit("spi-radio", { kind: "radio", count: radios }),
    inCircuit("segment-chain", { kind: "segments", count: wish.segments }),
    inCircuit("direct", { kind: "buzzer", count: wish.buzzers }),
    inCircuit("direct", { kind: "motor", count: wish.motors }),
    wish.connection === "pad-port"
      ? { ...noPlan, pins: [{ what: "pad port lines", need: { ...readNeed, interrupt: true }, count: 3 }] }
      : noPlan,
  ];
  return {
    ...noPlan,
    pins: all.flatMap(({ pins }) => pins),
    parts: sumParts(all.map(({ parts }) => parts)),
    shared: all.flatMap(({ shared }) => shared),
    certainty: all.flatMap(({ certainty }) => certainty),
  };
}
