import { listOf, whole, z } from "../schema";
import { addI2c } from "./buses";
import type { CircuitKind } from "./circuitKind";
import { listFields, memberList } from "./memberList";
import { type Net, interruptNeed } from "./net";
import { CircuitBuilder, middleOf, present } from "./circuitBuilder";
import { endCount, isRead, readEnds } from "./readEnds";

/** Three address terminals (typical of the class). */
export const EXPANDER_ADDRESSES = 8;
const LINES = 16;
/** One bit on the fast two-wire bus: 400 kbit/s (I²C-bus specification, fast mode). */
const I2C_BIT_US = 2.5;
/** Address, register, address again, two bytes; nine bits each, with start, repeated start and stop. */
export const EXPANDER_READ_US = (5 * 9 + 3) * I2C_BIT_US;

const expanderSchema = z.strictObject({
  ...listFields,
  kind: z.literal("expander"),
  bus: whole(0, 3),
  /** Address of each expander, 0 to 7; missing ones count on from the last. */
  addresses: listOf(whole(0, EXPANDER_ADDRESSES - 1), EXPANDER_ADDRESSES),
  /** Whether a line tells the controller that an input has changed. */
  interrupt: z.boolean(),
});
export type ExpanderCircuit = z.infer<typeof expanderSchema>;

export const addressOf = ({ addresses }: ExpanderCircuit, nth: number): number =>
  addresses[nth] ?? ((addresses.at(-1) ?? -1) + 1 + nth - addresses.length) % EXPANDER_ADDRESSES;

interface Lines {
  scl: Net;
  sda: Net;
  interrupt: Net | null;
}

/** Terminals of the common 28-terminal 16-line class (typical; from memory). Open inputs are held by its own pull-ups. */
function terminals(builder: CircuitBuilder, read: (Net | null)[], { scl, sda, interrupt }: Lines, address: number) {
  const port = (name: string, from: number) =>
    Array.from({ length: 8 }, (_, bit): [string, Net | null] => [`${name}${bit}`, read[from + bit] ?? null]);
  const strap = (bit: number): [string, Net] => [`A${bit}`, (address >> bit) & 1 ? builder.supply : builder.ground];
  const pins: [string, Net | null][] = [
    ...port("PB", 8),
    ["VDD", builder.supply],
    ["VSS", builder.ground],
    ["NC1", null],
    ["SCL", scl],
    ["SDA", sda],
    ["NC2", null],
    strap(0),
    strap(1),
    strap(2),
    ["RESET", builder.supply],
    ["INTB", null],
    ["INTA", interrupt],
    ...port("PA", 0),
  ];
  return pins;
}

/** Two pins, shared with the rest of the bus, for 16 inputs each, by address (common practice). */
export const expander: CircuitKind<ExpanderCircuit> = {
  kind: "expander",
  stem: "exp",
  title: "Bus expanders",
  purpose: "16 inputs each on the two wires of the bus, up to eight by address; slower than registers.",
  schema: expanderSchema,
  fresh: (id, name) => ({ id, kind: "expander", name, members: [], bus: 0, addresses: [], interrupt: false }),
  accepts: isRead,
  ...memberList,
  partLines: () => LINES,
  build(circuit, elements, places) {
    const builder = new CircuitBuilder(circuit, places);
    const { built } = builder;
    const members = present(circuit.members, elements).filter(isRead);
    const lines = members.reduce((sum, element) => sum + endCount(element), 0);
    if (lines === 0) return built;
    const { scl, sda } = addI2c(builder, circuit.bus, middleOf(members));
    const interrupt = circuit.interrupt ? builder.own("interrupt", "interrupt", interruptNeed) : null;
    const ends = members.flatMap((element) => readEnds(builder, element, null));
    const count = Math.ceil(ends.length / LINES);
    for (let nth = 0; nth < count; nth++) {
      const here = ends.slice(nth * LINES, (nth + 1) * LINES);
      const address = addressOf(circuit, nth);
      const pins = terminals(
        builder,
        here.map(({ net }) => net),
        { scl, sda, interrupt },
        address,
      );
      const usual = middleOf(here.map(({ element }) => element));
      builder.chip(`U${nth + 1}`, "16-line I²C expander", "expander", pins, usual);
      here.forEach(({ net }, bit) => {
        built.access[net.id] = { by: "expander", scl: scl.id, sda: sda.id, address, bit };
      });
    }
    built.reading.fixedUs = count * EXPANDER_READ_US;
    return built;
  },
};
