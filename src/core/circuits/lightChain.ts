import { z } from "../schema";
import type { CircuitKind } from "./circuitKind";
import { listFields, memberIds, memberList } from "./memberList";
import { type Net, outputNeed } from "./net";
import { CircuitBuilder, middleOf, present } from "./circuitBuilder";

const lightChainSchema = z.strictObject({
  ...listFields,
  kind: z.literal("light-chain"),
  /** Dead lights whose data in is joined to their data out: they have no index any more. */
  bridged: memberIds,
  /** Whether a level shifter lifts the data to the lights' own supply. */
  shifted: z.boolean(),
});
export type LightChain = z.infer<typeof lightChainSchema>;

/** Supply of addressable lights, and the least level that their data line takes for high, in V (common practice). */
export const LIGHT_SUPPLY_V = 5;
export const LIGHT_DATA_V = 3.5;

const IN = 0;
const OUT = 1;
const PLUS = 2;
const MINUS = 3;

/** Terminals of a 74AHCT125 that are used: one buffer; the other three rest with their inputs on ground. */
function addShifter(builder: CircuitBuilder, from: Net, to: Net, usual: ReturnType<typeof middleOf>) {
  const { ground, fiveVolt: supply } = builder;
  const pins: [string, Net | null][] = [
    ["1OE", ground],
    ["1A", from],
    ["1Y", to],
    ["2OE", ground],
    ["2A", ground],
    ["2Y", null],
    ["GND", ground],
    ["3Y", null],
    ["3A", ground],
    ["3OE", ground],
    ["4Y", null],
    ["4A", ground],
    ["4OE", ground],
    ["VCC", supply],
  ];
  builder.chip("U1", "74AHCT125 level shifter", "level-shifter", pins, usual);
}

/** Lights that answer, in the order of the chain: their place is their index. */
export const indexedLights = ({ members, bridged }: LightChain): string[] =>
  members.filter((id) => !bridged.includes(id));

/** Addressable lights: one pin for any length, each light passing the data on to the next. */
export const lightChain: CircuitKind<LightChain> = {
  kind: "light-chain",
  stem: "lights",
  title: "Light chain",
  isUndriven: true,
  purpose: "Addressable lights on one pin, each passing the data on: a dead one stops the rest until it is bridged.",
  schema: lightChainSchema,
  fresh: (id, name) => ({ id, kind: "light-chain", name, members: [], bridged: [], shifted: false }),
  accepts: (element) => element.kind === "light",
  members: memberList.members,
  with: memberList.with,
  without(circuit, elementId) {
    const left = memberList.without(circuit, elementId);
    return left === circuit ? circuit : { ...left, bridged: left.bridged.filter((id) => id !== elementId) };
  },
  build(circuit, elements, places) {
    const builder = new CircuitBuilder(circuit.id, places);
    const lights = present(circuit.members, elements).filter(({ kind }) => kind === "light");
    if (lights.length === 0) return builder.built;
    const pin = builder.own("data", "data", outputNeed);
    let data = builder.own("data in", "chain", null);
    const at = lights[0].contacts[IN].at;
    let from = pin;
    if (circuit.shifted) {
      from = builder.own("data 5 V", "chain", null);
      addShifter(builder, pin, from, middleOf([lights[0]]));
    }
    builder.shunt("data resistor", "resistor", "330 Ω", from, data, at);
    lights.forEach((light, nth) => {
      builder.joint(data, light, IN);
      // Bridged: its data in and out are one net.
      if (!circuit.bridged.includes(light.id)) data = builder.own(`link ${nth + 1}`, "chain", null);
      builder.joint(data, light, OUT);
      builder.joint(builder.fiveVolt, light, PLUS);
      builder.joint(builder.ground, light, MINUS);
    });
    return builder.built;
  },
  steps: ({ shifted, bridged }, built) => [
    ...(shifted ? ["Put the level shifter down near the first light, with 100 nF at its supply."] : []),
    "Put about 330 Ω into the data lead at its start.",
    "Run data from each light's out to the next one's in, in the order of the chain.",
    ...(bridged.length > 0 ? ["Bridge data in to data out at each dead light."] : []),
    `Run supply and ground past all lights${built.nets.length > 30 ? ", fed at both ends" : ""}, with a large capacitor where they enter.`,
  ],
};
