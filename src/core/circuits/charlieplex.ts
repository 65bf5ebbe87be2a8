import { whole, z } from "../schema";
import { circuitFields } from "./circuitFields";
import type { Point } from "../geometry/point";
import type { CircuitKind } from "./circuitKind";
import { outputNeed } from "./net";
import { CircuitBuilder } from "./circuitBuilder";

const pairSchema = z.strictObject({ from: whole(0, 15), to: whole(0, 15) });
export type LinePair = z.infer<typeof pairSchema>;

const charlieplexSchema = z.strictObject({
  ...circuitFields,
  kind: z.literal("charlieplex"),
  /** By lamp: the line its anode is on, and the line its cathode is on. */
  pairs: z.record(z.string(), pairSchema),
});
export type Charlieplex = z.infer<typeof charlieplexSchema>;

/** Pairs in the order in which lines are added, so that a lamp more moves none of the others. */
function* pairsInOrder(): Generator<LinePair> {
  for (let high = 1; high < 16; high++)
    for (let low = 0; low < high; low++) {
      yield { from: low, to: high };
      yield { from: high, to: low };
    }
}

const keyOf = ({ from, to }: LinePair) => `${from} ${to}`;

/** Each ordered pair of lines carries one lamp; one line drives high, one low, and the others float. */
export const charlieplex: CircuitKind<Charlieplex> = {
  kind: "charlieplex",
  stem: "pairs",
  title: "Lamps between line pairs",
  purpose: "n lines light n · (n − 1) lamps one after another: dimmer with every lamp more, no added logic.",
  schema: charlieplexSchema,
  fresh: (id, name) => ({ id, kind: "charlieplex", name, pairs: {} }),
  accepts: (element) => element.kind === "lamp",
  members: (circuit) => Object.keys(circuit.pairs),
  with(circuit, ids) {
    const pairs = { ...circuit.pairs };
    const taken = new Set(Object.values(pairs).map(keyOf));
    const free = [...pairsInOrder()].filter((pair) => !taken.has(keyOf(pair)));
    ids.slice(0, free.length).forEach((id, nth) => (pairs[id] = free[nth]));
    return { ...circuit, pairs };
  },
  without(circuit, elementId) {
    if (!(elementId in circuit.pairs)) return circuit;
    const { [elementId]: _, ...pairs } = circuit.pairs;
    return { ...circuit, pairs };
  },
  build(circuit, elements, places) {
    const builder = new CircuitBuilder(circuit, places);
    const { built } = builder;
    /** The pin's side of a line's resistor has the line's name; the lamps hang on the other side. */
    const pinOf = (number: number) => builder.own(`X${number + 1}`, "line", { ...outputNeed, input: true });
    const line = (number: number, at: Point) => {
      const name = `X${number + 1}`;
      const pin = pinOf(number);
      const lamps = builder.own(`${name} lamps`, "chain", null);
      if (lamps.joints.length === 0) builder.shunt(`resistor ${name}`, "resistor", "by the lamp", pin, lamps, at);
      return lamps;
    };
    for (const [id, { from, to }] of Object.entries(circuit.pairs)) {
      const element = elements.get(id);
      if (!element) continue;
      if (!charlieplex.accepts(element)) continue;
      builder.joint(line(from, element.contacts[0].at), element, 0);
      builder.joint(line(to, element.contacts[1].at), element, 1);
      built.lamps.push({ elementId: id, net: id });
      built.access[id] = { by: "pair", high: pinOf(from).id, low: pinOf(to).id };
    }
    return built;
  },
};
