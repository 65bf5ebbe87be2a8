import { z } from "../schema";
import type { CircuitKind } from "./circuitKind";
import { listFields, memberList } from "./memberList";
import { type Net, outputNeed, readNeed } from "./net";
import { CircuitBuilder, middleOf, present } from "./circuitBuilder";
import { isRead, readEnds } from "./readEnds";

const inputRegistersSchema = z.strictObject({ ...listFields, kind: z.literal("input-registers") });
export type InputRegisters = z.infer<typeof inputRegistersSchema>;

const LINES = 8;
/** Shifting by I/O pins at about 1 MHz, safe for the family at 3.3 V and on wires (from memory). */
export const BIT_US = 1;

interface Bus {
  latch: Net;
  clock: Net;
}

/** Terminals of a 74HC165 by its data sheet: the eight inputs, latch, clock, serial in and out. */
function terminals(builder: CircuitBuilder, read: (Net | null)[], bus: Bus, chain: [Net | null, Net]) {
  const [serialIn, serialOut] = chain;
  const pins: [string, Net | null][] = [
    ["SH/LD", bus.latch],
    ["CLK", bus.clock],
    ["E", read[4]],
    ["F", read[5]],
    ["G", read[6]],
    ["H", read[7]],
    ["QH'", null],
    ["GND", builder.ground],
    ["QH", serialOut],
    ["SER", serialIn ?? builder.ground],
    ["A", read[0]],
    ["B", read[1]],
    ["C", read[2]],
    ["D", read[3]],
    ["CLK INH", builder.ground],
    ["VCC", builder.supply],
  ];
  return pins;
}

/** Parallel-in registers in a chain: three pins for any number of switches and encoder lines. */
export const inputRegisters: CircuitKind<InputRegisters> = {
  kind: "input-registers",
  stem: "in",
  title: "Parallel-in registers",
  purpose: "74HC165 in a chain: three pins for any number of inputs, all of them caught at the same instant.",
  schema: inputRegistersSchema,
  fresh: (id, name) => ({ id, kind: "input-registers", name, members: [] }),
  accepts: isRead,
  ...memberList,
  partLines: () => LINES,
  build(circuit, elements, places) {
    const builder = new CircuitBuilder(circuit, places);
    const { built } = builder;
    const members = present(circuit.members, elements).filter(isRead);
    const ends = members.flatMap((element) => readEnds(builder, element, null));
    if (ends.length === 0) return built;
    const bus = { latch: builder.own("latch", "latch", outputNeed), clock: builder.own("clock", "clock", outputNeed) };
    const data = builder.own("data", "data", readNeed, { heldBy: "part" });
    const count = Math.ceil(ends.length / LINES);
    for (let nth = 0; nth < count; nth++) {
      const here = ends.slice(nth * LINES, (nth + 1) * LINES);
      // What is not used is tied to ground: an open input of this family drifts and draws current.
      const read = Array.from({ length: LINES }, (_, bit) => here[bit]?.net ?? builder.ground);
      const out = nth === 0 ? data : builder.own(`chain ${nth}`, "chain", null);
      const next = nth + 1 < count ? builder.own(`chain ${nth + 1}`, "chain", null) : null;
      const usual = middleOf(here.map(({ element }) => element));
      builder.chip(
        `U${nth + 1}`,
        "74HC165 input register",
        "register-in",
        terminals(builder, read, bus, [next, out]),
        usual,
      );
    }
    ends.forEach(({ net }, bit) => {
      built.access[net.id] = { by: "in-register", clock: bus.clock.id, latch: bus.latch.id, data: data.id, bit };
    });
    for (const { net } of ends)
      builder.shunt(`pull-up ${net.id}`, "resistor", "10 kΩ", builder.supply, net, net.joints[0].at);
    built.reading.fixedUs = count * LINES * BIT_US + 1;
    return built;
  },
};
