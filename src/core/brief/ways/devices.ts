import { busNeed, inputNeed, outputNeed, pwmNeed } from "../../circuits/net";
import { sumParts } from "../prices";
import type { Certainty, PinLot, WayContext, WayPlan } from "./way";
import { i2cLots, noPlan } from "./way";

/** Identical displays answer to one of two addresses (common practice). */
const DISPLAY_ADDRESSES = 2;
/** 5 V lights want a data level near 3.5 V (common practice). */
const LIGHT_DATA_V = 3.5;
/** Current of an addressable light at full white, and of a USB port, in mA (common practice). */
const LIGHT_MA = 40;
const PORT_MA = 500;

const spiLots: PinLot[] = [
  { what: "serial bus clock", need: busNeed("spi", "clock"), count: 1, shared: "spi clock" },
  { what: "serial bus data in", need: busNeed("spi", "data in"), count: 1, shared: "spi in" },
  { what: "serial bus data out", need: busNeed("spi", "data out"), count: 1, shared: "spi out" },
];

function displays({ wish }: WayContext): Partial<WayPlan> {
  if (wish.displays === 0) return {};
  const needsBranches = wish.displays > DISPLAY_ADDRESSES;
  return {
    pins: i2cLots,
    parts: { resistor: 2, ...(needsBranches ? { "bus-multiplexer": Math.ceil(wish.displays / 8) } : {}) },
  };
}

function lights({ wish, profile }: WayContext): Partial<WayPlan> {
  if (wish.lights === 0) return {};
  const weak = profile.logicV < LIGHT_DATA_V;
  const mA = wish.lights * LIGHT_MA;
  const certainty: Certainty[] =
    mA > PORT_MA
      ? [
          {
            weight: "note",
            words: `${wish.lights} lights take ${(mA / 1000).toFixed(1)} A at full white: limit them or feed them apart`,
          },
        ]
      : [];
  return {
    pins: [{ what: "light chain data", need: outputNeed, count: 1 }],
    parts: weak ? { "level-shifter": 1 } : {},
    certainty,
  };
}

function radios({ wish, profile }: WayContext): Partial<WayPlan> {
  const modules = wish.radios + (wish.connection === "radio" && wish.radios === 0 && !profile.radio ? 1 : 0);
  if (modules === 0) return {};
  return {
    pins: [
      ...spiLots,
      { what: "radio select and enable", need: outputNeed, count: 2 * modules },
      { what: "radio interrupt", need: { ...inputNeed, interrupt: true }, count: modules },
    ],
  };
}

/** What has only one sensible way: light chain 1 pin, segment drivers 3, displays 2 shared, radio 3 shared + 3. */
export function devicesPlan(context: WayContext): WayPlan {
  const { wish } = context;
  const single: Partial<WayPlan>[] = [
    displays(context),
    lights(context),
    radios(context),
    wish.segments > 0 ? { pins: [{ what: "segment driver chain", need: outputNeed, count: 3 }] } : {},
    wish.buzzers > 0 ? { pins: [{ what: "buzzers", need: pwmNeed, count: wish.buzzers }] } : {},
    wish.motors > 0
      ? { pins: [{ what: "motors", need: pwmNeed, count: wish.motors }], parts: { transistor: wish.motors } }
      : {},
    wish.connection === "pad-port"
      ? { pins: [{ what: "pad port latch, clock and data", need: { ...inputNeed, interrupt: true }, count: 3 }] }
      : {},
  ];
  return single.reduce<WayPlan>(
    (sum, plan) => ({
      ...sum,
      pins: [...sum.pins, ...(plan.pins ?? [])],
      parts: sumParts([sum.parts, plan.parts ?? {}]),
      certainty: [...sum.certainty, ...(plan.certainty ?? [])],
    }),
    noPlan,
  );
}
