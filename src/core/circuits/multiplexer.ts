import { z } from "../schema";
import type { CircuitKind } from "./circuitKind";
import { listFields, memberList } from "./memberList";
import { type Net, type PlacedElement, analogNeed, inputNeed, outputNeed } from "./net";
import { CircuitBuilder, middleOf, present } from "./circuitBuilder";
import { isRead, readEnds } from "./readEnds";

const multiplexerSchema = z.strictObject({
  ...listFields,
  kind: z.literal("multiplexer"),
  /** Channels of each multiplexer. */
  channels: z.union([z.literal(8), z.literal(16)]),
});
export type MultiplexerCircuit = z.infer<typeof multiplexerSchema>;

interface Channel {
  net: Net;
  element: PlacedElement;
}

const isVoltage = (element: Pick<PlacedElement, "kind">) => element.kind === "analog";

function voltageChannel(builder: CircuitBuilder, element: PlacedElement): Channel {
  builder.joint(builder.supply, element, 0);
  builder.joint(builder.ground, element, 2);
  return { net: builder.joint(builder.net(element.id, element.label, "analog", null), element, 1), element };
}

/** Terminals of the 74HC4067 (16 channels) by its data sheet. */
function wide(builder: CircuitBuilder, data: Net, channels: (Net | null)[], select: Net[]): [string, Net | null][] {
  return [
    ["Z", data],
    ...[7, 6, 5, 4, 3, 2, 1, 0].map((nth): [string, Net | null] => [`Y${nth}`, channels[nth] ?? null]),
    ["S0", select[0]],
    ["S1", select[1]],
    ["GND", builder.ground],
    ["S3", select[3]],
    ["S2", select[2]],
    ["E", builder.ground],
    ...[15, 14, 13, 12, 11, 10, 9, 8].map((nth): [string, Net | null] => [`Y${nth}`, channels[nth] ?? null]),
    ["VCC", builder.supply],
  ];
}

/** Terminals of the 74HC4051 (8 channels) by its data sheet. */
function narrow(builder: CircuitBuilder, data: Net, channels: (Net | null)[], select: Net[]): [string, Net | null][] {
  const pin = (nth: number): [string, Net | null] => [`Y${nth}`, channels[nth] ?? null];
  return [
    ...[pin(4), pin(6)],
    ["Z", data],
    ...[pin(7), pin(5)],
    ["E", builder.ground],
    ["VEE", builder.ground],
    ["GND", builder.ground],
    ["S2", select[2]],
    ["S1", select[1]],
    ["S0", select[0]],
    ...[pin(3), pin(0), pin(1), pin(2)],
    ["VCC", builder.supply],
  ];
}

function addChip(builder: CircuitBuilder, nth: number, channels: Channel[], select: Net[], isAnalog: boolean) {
  const size = select.length === 4 ? 16 : 8;
  const data = builder.own(`D${nth + 1}`, isAnalog ? "analog" : "data", isAnalog ? analogNeed : inputNeed);
  const nets = channels.map(({ net }) => net);
  const terminals = size === 16 ? wide(builder, data, nets, select) : narrow(builder, data, nets, select);
  const title = size === 16 ? "74HC4067 16-way multiplexer" : "74HC4051 8-way multiplexer";
  const usual = middleOf(channels.map(({ element }) => element));
  builder.chip(`U${nth + 1}`, title, size === 16 ? "multiplexer" : "multiplexer-8", terminals, usual);
  channels.forEach(({ net }, at) => {
    const lines = select.map(({ id }) => id);
    builder.built.access[net.id] = {
      by: isAnalog ? "voltage" : "channel",
      data: data.id,
      select: lines,
      chip: nth + 1,
      channel: at,
    };
  });
}

const inChips = (channels: Channel[], size: number): Channel[][] =>
  Array.from({ length: Math.ceil(channels.length / size) }, (_, nth) => channels.slice(nth * size, (nth + 1) * size));

/**
 * Switches, encoder lines, sticks and pots behind shared select lines, one data pin a multiplexer. Levels and voltages
 * go to different multiplexers, because a data pin with its pull-up would bend a voltage.
 */
export const multiplexer: CircuitKind<MultiplexerCircuit> = {
  kind: "multiplexer",
  stem: "mux",
  title: "Multiplexers",
  purpose:
    "Select lines shared by all, one data pin each: four 16-way ones read 64 inputs on 8 pins, sticks and pots too.",
  schema: multiplexerSchema,
  fresh: (id, name) => ({ id, kind: "multiplexer", name, members: [], channels: 16 }),
  accepts: (element) => isRead(element) || isVoltage(element),
  ...memberList,
  partLines: (circuit) => circuit.channels,
  build(circuit, elements, places) {
    const builder = new CircuitBuilder(circuit, places);
    const members = present(circuit.members, elements);
    const levels = members.filter(isRead).flatMap((element) => readEnds(builder, element, null));
    const voltages = members.filter(isVoltage).map((element) => voltageChannel(builder, element));
    if (levels.length + voltages.length === 0) return builder.built;
    const select = Array.from({ length: circuit.channels === 16 ? 4 : 3 }, (_, bit) =>
      builder.own(`S${bit}`, "select", outputNeed),
    );
    const digital = inChips(levels, circuit.channels);
    const analog = inChips(voltages, circuit.channels);
    [...digital, ...analog].forEach((channels, nth) => addChip(builder, nth, channels, select, nth >= digital.length));
    const most = Math.max(...[...digital, ...analog].map((channels) => channels.length));
    builder.built.reading = { settles: most, fixedUs: 0 };
    return builder.built;
  },
};
