import { whole, z } from "../schema";
import type { Point } from "../geometry/point";
import type { CircuitKind } from "./circuitKind";
import { addShifter } from "./levelShifter";
import { MOST_MEMBERS, listFields, memberIds, memberList } from "./memberList";
import { type Net, outputNeed } from "./net";
import { CircuitBuilder, middleOf, present } from "./circuitBuilder";

export const lightFeeds = ["5V", "diode", "logic"] as const;

const lightChainSchema = z.strictObject({
  ...listFields,
  kind: z.literal("light-chain"),
  /** Dead lights whose data in is joined to their data out: they have no index any more. */
  bridged: memberIds,
  /** Whether a level shifter lifts the data to the lights' own supply. */
  shifted: z.boolean(),
  /** What the lights run on: 5 V, 5 V less a diode so that 3.3 V data is enough, or the logic's own voltage. */
  feed: z.enum(lightFeeds),
  /** Most that firmware may ask of any colour of any light. */
  brightnessPercent: whole(1, 100),
  /** Most colours of one light at full at the same time: white is three. */
  colours: z.union([z.literal(1), z.literal(2), z.literal(3)]),
  /** Most lights lit at once; null for all. */
  mostLit: z.nullable(whole(1, MOST_MEMBERS)),
  /** Lights at which supply and ground are fed in once more, beside the first. */
  feedAt: memberIds,
});
export type LightChain = z.infer<typeof lightChainSchema>;

/** Least level that the data line of addressable lights on 5 V takes for high, in V (common practice). */
export const LIGHT_DATA_V = 3.5;

const IN = 0;
const OUT = 1;
const PLUS = 2;
const MINUS = 3;

/** What the lights hang on; a diode before them lowers it, and with it the level that their data needs. */
function lightSupply(builder: CircuitBuilder, circuit: LightChain, at: Point): Net {
  if (circuit.feed === "logic") return builder.supply;
  if (circuit.feed === "5V") return builder.fiveVolt;
  const lowered = builder.own("supply", "supply", null);
  builder.shunt("supply diode", "diode", "1N4007", builder.fiveVolt, lowered, at);
  return lowered;
}

/** Lights that answer, in the order of the chain: their place is their index. */
export const indexedLights = ({ members, bridged }: LightChain): string[] =>
  members.filter((id) => !bridged.includes(id));

/** Addressable lights: one pin for any length, each light passing the data on to the next. */
export const lightChain: CircuitKind<LightChain> = {
  kind: "light-chain",
  stem: "lights",
  title: "Light chain",
  purpose: "Addressable lights on one pin, each passing the data on: a dead one stops the rest until it is bridged.",
  schema: lightChainSchema,
  fresh: (id, name) => ({
    id,
    kind: "light-chain",
    name,
    members: [],
    bridged: [],
    shifted: false,
    feed: "5V",
    brightnessPercent: 100,
    colours: 3,
    mostLit: null,
    feedAt: [],
  }),
  accepts: (element) => element.kind === "light",
  members: memberList.members,
  with: memberList.with,
  without(circuit, elementId) {
    const left = memberList.without(circuit, elementId);
    const others = (ids: string[]) => ids.filter((id) => id !== elementId);
    return left === circuit ? circuit : { ...left, bridged: others(left.bridged), feedAt: others(left.feedAt) };
  },
  build(circuit, elements, places) {
    const builder = new CircuitBuilder(circuit, places);
    const lights = present(circuit.members, elements).filter(({ kind }) => kind === "light");
    if (lights.length === 0) return builder.built;
    const pin = builder.own("data", "data", outputNeed);
    let data = builder.own("data in", "chain", null);
    const at = lights[0].contacts[IN].at;
    const supply = lightSupply(builder, circuit, lights[0].contacts[PLUS].at);
    let from = pin;
    if (circuit.shifted) {
      from = builder.own("data 5 V", "chain", null);
      addShifter(builder, [{ from: pin, to: from }], middleOf([lights[0]]));
    }
    builder.shunt("data resistor", "resistor", "330 Ω", from, data, at);
    lights.forEach((light, nth) => {
      builder.joint(data, light, IN);
      // Bridged: its data in and out are one net.
      if (!circuit.bridged.includes(light.id)) data = builder.own(`link ${nth + 1}`, "chain", null);
      builder.joint(data, light, OUT);
      builder.joint(supply, light, PLUS);
      builder.joint(builder.ground, light, MINUS);
    });
    const { brightnessPercent, colours, mostLit } = circuit;
    const indexed = lights.map(({ id }) => id).filter((id) => !circuit.bridged.includes(id));
    builder.built.chains.push({
      circuitId: circuit.id,
      net: pin.id,
      lights: indexed,
      brightnessPercent,
      colours,
      mostLit,
    });
    return builder.built;
  },
};
