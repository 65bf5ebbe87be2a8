import { SEGMENTS } from "../contract/segments";
import { segmentStartSchema, usualStart } from "./segmentStart";
import { listOf, z } from "../schema";
import type { CircuitKind } from "./circuitKind";
import { listFields, memberList } from "./memberList";
import { addShifter } from "./levelShifter";
import { type Net, type PlacedElement, outputNeed } from "./net";
import { CircuitBuilder, middleOf, present } from "./circuitBuilder";

const segmentChainSchema = z.strictObject({
  ...listFields,
  kind: z.literal("segment-chain"),
  /** Whether a level shifter lifts the three signals to the drivers' own 5 V. */
  shifted: z.boolean(),
  /** What drivers are told at the start, where it is not as usual (usualStart). */
  start: z.optional(listOf(segmentStartSchema, SEGMENTS.STARTS)),
});
export type SegmentChain = z.infer<typeof segmentChainSchema>;

const CONTACT = { data: 0, select: 1, clock: 2, plus: 3, minus: 4, out: 5 };

interface Signals {
  select: Net;
  clock: Net;
  data: Net;
}

/** The same three signals behind a level shifter. */
function lifted(builder: CircuitBuilder, pins: Signals, displays: PlacedElement[]): Signals {
  const behind = (name: keyof Signals) => builder.own(`${name} 5 V`, "chain", null);
  const high: Signals = { select: behind("select"), clock: behind("clock"), data: behind("data") };
  const names = ["select", "clock", "data"] as const;
  addShifter(
    builder,
    names.map((name) => ({ from: pins[name], to: high[name] })),
    middleOf([displays[0]]),
  );
  return high;
}

/** Segment displays whose drivers run on 5 V and pass the data on: three pins for any number of them (common practice). */
export const segmentChain: CircuitKind<SegmentChain> = {
  kind: "segment-chain",
  stem: "digits",
  title: "Segment displays in a chain",
  purpose: "Three pins for any number of segment displays: each driver passes the data on to the next.",
  schema: segmentChainSchema,
  fresh: (id, name) => ({ id, kind: "segment-chain", name, members: [], shifted: false }),
  accepts: (element) => element.kind === "device" && element.contacts.some(({ name }) => name === "data"),
  ...memberList,
  build(circuit, elements, places) {
    const builder = new CircuitBuilder(circuit, places);
    const displays = present(circuit.members, elements).filter(segmentChain.accepts);
    if (displays.length === 0) return builder.built;
    const pins = {
      select: builder.own("select", "select", outputNeed),
      clock: builder.own("clock", "clock", outputNeed),
      data: builder.own("data", "data", outputNeed),
    };
    const { select, clock, data: first } = circuit.shifted ? lifted(builder, pins, displays) : pins;
    let data = first;
    displays.forEach((display, nth) => {
      builder.joint(data, display, CONTACT.data);
      builder.joint(select, display, CONTACT.select);
      builder.joint(clock, display, CONTACT.clock);
      builder.joint(builder.fiveVolt, display, CONTACT.plus);
      builder.joint(builder.ground, display, CONTACT.minus);
      if (nth + 1 < displays.length) {
        data = builder.own(`chain ${nth + 1}`, "chain", null);
        builder.joint(data, display, CONTACT.out);
      }
    });
    builder.built.segments.push({
      circuitId: circuit.id,
      data: pins.data.id,
      clock: pins.clock.id,
      select: pins.select.id,
      displays: displays.map(({ id }) => id),
      start: circuit.start ?? usualStart,
    });
    return builder.built;
  },
};
