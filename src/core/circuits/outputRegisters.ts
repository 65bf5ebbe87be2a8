import { z } from "../schema";
import type { CircuitKind } from "./circuitKind";
import { listFields, memberList } from "./memberList";
import { type Net, outputNeed, pwmNeed } from "./net";
import { CircuitBuilder, middleOf, present } from "./circuitBuilder";
import { BIT_US } from "./inputRegisters";

const outputRegistersSchema = z.strictObject({
  ...listFields,
  kind: z.literal("output-registers"),
  /** Whether a PWM pin on the enable terminals sets the brightness of all lamps together. */
  dimmed: z.boolean(),
  /** What lamps and registers run on: the logic's own voltage, or the 5 V rail with registers of the 74HCT sort. */
  feed: z.enum(["logic", "5V"]),
});
export type OutputRegisters = z.infer<typeof outputRegistersSchema>;

const LINES = 8;

interface Bus {
  clock: Net;
  latch: Net;
  enable: Net;
  reset: Net;
}

/** Terminals of a 74HC595 by its data sheet. */
function terminals(
  builder: CircuitBuilder,
  supply: Net,
  q: (Net | null)[],
  bus: Bus,
  serialIn: Net,
  serialOut: Net | null,
) {
  const pins: [string, Net | null][] = [
    ["QB", q[1]],
    ["QC", q[2]],
    ["QD", q[3]],
    ["QE", q[4]],
    ["QF", q[5]],
    ["QG", q[6]],
    ["QH", q[7]],
    ["GND", builder.ground],
    ["QH'", serialOut],
    ["SRCLR", bus.reset],
    ["SRCLK", bus.clock],
    ["RCLK", bus.latch],
    ["OE", bus.enable],
    ["SER", serialIn],
    ["QA", q[0]],
    ["VCC", supply],
  ];
  return pins;
}

/**
 * Serial-in registers in a chain light lamps on their ground side: anodes on the supply, one resistor a branch
 * (common practice), so a low output is lit; the enable terminal dims all by PWM.
 */
export const outputRegisters: CircuitKind<OutputRegisters> = {
  kind: "output-registers",
  stem: "out",
  title: "Serial-in registers for lamps",
  purpose: "74HC595 in a chain: three pins for any number of lamps, one more to dim them all.",
  schema: outputRegistersSchema,
  fresh: (id, name) => ({ id, kind: "output-registers", name, members: [], dimmed: true, feed: "logic" }),
  accepts: (element) => element.kind === "lamp",
  ...memberList,
  partLines: () => LINES,
  build(circuit, elements, places) {
    const builder = new CircuitBuilder(circuit, places);
    const { built } = builder;
    const lamps = present(circuit.members, elements).filter(({ kind }) => kind === "lamp");
    if (lamps.length === 0) return built;
    const supply = circuit.feed === "5V" ? builder.fiveVolt : builder.supply;
    const bus: Bus = {
      clock: builder.own("clock", "clock", outputNeed),
      latch: builder.own("latch", "latch", outputNeed),
      enable: circuit.dimmed ? builder.own("enable", "enable", pwmNeed) : builder.ground,
      reset: supply,
    };
    const branches = lamps.map((lamp) => {
      const net = builder.net(lamp.id, lamp.label, "lamp", null);
      builder.joint(supply, lamp, 0);
      builder.inline("resistor", net, lamp, 1);
      built.lamps.push({ elementId: lamp.id, net: lamp.id });
      return net;
    });
    const first = builder.own("data", "data", outputNeed);
    let serial = first;
    const count = Math.ceil(lamps.length / LINES);
    for (let nth = 0; nth < count; nth++) {
      const from = nth * LINES;
      const q = Array.from({ length: LINES }, (_, bit) => branches[from + bit] ?? null);
      const out = nth + 1 < count ? builder.own(`chain ${nth + 1}`, "chain", null) : null;
      const usual = middleOf(lamps.slice(from, from + LINES));
      builder.chip(
        `U${nth + 1}`,
        circuit.feed === "5V" ? "74HCT595 output register" : "74HC595 output register",
        "register-out",
        terminals(builder, supply, q, bus, serial, out),
        usual,
      );
      if (out) serial = out;
    }
    branches.forEach((net, bit) => {
      const enable = circuit.dimmed ? bus.enable.id : null;
      const lines = { clock: bus.clock.id, latch: bus.latch.id, data: first.id, enable };
      built.access[net.id] = { by: "out-register", ...lines, bit };
    });
    built.reading.fixedUs = count * LINES * BIT_US;
    return built;
  },
};
