import { z } from "../schema";
import type { CircuitKind } from "./circuitKind";
import { listFields, memberList } from "./memberList";
import { type Net, type PlacedElement, analogNeed, inputNeed, outputNeed, pwmNeed, readNeed } from "./net";
import { point } from "../geometry/point";
import { CircuitBuilder, middleOf, present } from "./circuitBuilder";
import { isRead, readEnds } from "./readEnds";

/** What a closed switch does: pulls its pin down against the internal pull-up, or up against an added resistor. */
export const polarities = ["to-ground", "to-supply"] as const;

const directSchema = z.strictObject({ ...listFields, kind: z.literal("direct"), polarity: z.enum(polarities) });
export type DirectCircuit = z.infer<typeof directSchema>;

function addRead(builder: CircuitBuilder, circuit: DirectCircuit, element: PlacedElement) {
  if (circuit.polarity === "to-ground") return readEnds(builder, element, inputNeed);
  const ends = readEnds(builder, element, readNeed, { common: builder.supply, heldBy: "resistor" });
  for (const { net } of ends) {
    builder.shunt(`pull-down ${net.id}`, "resistor", "10 kΩ", net, builder.ground, net.joints[0].at);
    builder.built.access[net.id] = { by: "held-pin" };
  }
  return ends;
}

function addLamp(builder: CircuitBuilder, element: PlacedElement) {
  const net = builder.net(element.id, element.label, "lamp", outputNeed);
  builder.inline("resistor", net, element, 0);
  builder.joint(builder.ground, element, 1);
  builder.built.lamps.push({ elementId: element.id, net: element.id });
}

/** A wiper on an analog pin; its ends are on the supply and on ground. */
function addAnalog(builder: CircuitBuilder, element: PlacedElement) {
  builder.joint(builder.net(element.id, element.label, "analog", analogNeed), element, 1);
  builder.joint(builder.supply, element, 0);
  builder.joint(builder.ground, element, 2);
}

/** From here on a part is switched by a transistor: the weakest pins of the trade give 4 mA (typical; from memory). */
const TRANSISTOR_FROM_MA = 4;
/**
 * A small transistor switches so much when the weakest pins of the trade, of 4 mA, drive its base at half of that with
 * a gain of 20; what takes more has a transistor whose gate takes no current.
 */
const SMALL_TRANSISTOR_MA = 40;

/** Before a controller is chosen; then it follows from the pin (`electrics/transistor.ts`). */
export const BASE_VALUE = "1 kΩ";

/** Small ones straight from the pin; what takes more hangs on the supply and is switched on its ground side. */
function addOutput(builder: CircuitBuilder, element: PlacedElement) {
  const pin = builder.net(element.id, element.label, "output", pwmNeed);
  builder.built.outputs.push({ elementId: element.id, net: pin.id });
  const currentMa = element.currentMa ?? 0;
  if (currentMa <= TRANSISTOR_FROM_MA) {
    builder.joint(pin, element, 0);
    builder.joint(builder.ground, element, 1);
    return;
  }
  const at = middleOf([element]);
  const low = builder.net(`${element.id}/low`, `${element.label} low`, "chain", null);
  const gate = builder.net(`${element.id}/gate`, `${element.label} gate`, "chain", null);
  builder.joint(builder.fiveVolt, element, 0);
  builder.joint(low, element, 1);
  const isSmall = currentMa <= SMALL_TRANSISTOR_MA;
  const ends: [string, Net | null][] = isSmall
    ? [
        ["E", builder.ground],
        ["B", gate],
        ["C", low],
      ]
    : [
        ["G", gate],
        ["D", low],
        ["S", builder.ground],
      ];
  const title = isSmall ? "NPN transistor, 2N3904 class" : "logic-level N-channel MOSFET";
  builder.chip(`Q ${element.id}`, title, "transistor", ends, point(at.xMm, at.yMm + 8), "Q");
  builder.shunt(`base ${element.id}`, "resistor", isSmall ? BASE_VALUE : "100 Ω", pin, gate, at);
  builder.shunt(`flyback ${element.id}`, "diode", isSmall ? "1N4148" : "1N5819", low, builder.fiveVolt, at);
}

const TAKEN = ["switch", "quadrature", "lamp", "analog", "output"];

/** One pin an element end: no added logic, the surest and quickest reading, the most pins. */
export const direct: CircuitKind<DirectCircuit> = {
  kind: "direct",
  stem: "direct",
  title: "Direct",
  purpose: "One pin for each end: nothing between contact and pin, and the most pins.",
  schema: directSchema,
  fresh: (id, name) => ({ id, kind: "direct", name, members: [], polarity: "to-ground" }),
  accepts: (element) => TAKEN.includes(element.kind),
  ...memberList,
  build(circuit, elements, places) {
    const builder = new CircuitBuilder(circuit, places);
    const members = present(circuit.members, elements).filter(direct.accepts);
    for (const element of members) {
      if (isRead(element)) addRead(builder, circuit, element);
      if (element.kind === "lamp") addLamp(builder, element);
      if (element.kind === "analog") addAnalog(builder, element);
      if (element.kind === "output") addOutput(builder, element);
    }
    const read = members.some(isRead);
    builder.built.reading = { settles: read ? 1 : 0, fixedUs: 0 };
    return builder.built;
  },
};

/** One conversion of a slow converter (from memory: about 110 µs at 10 bits); ladders wait for it, wipers do not. */
export const CONVERSION_US = 110;
