import { z } from "../schema";
import type { CircuitKind } from "./circuitKind";
import { listFields, memberList } from "./memberList";
import { outputNeed } from "./net";
import { CircuitBuilder, present } from "./circuitBuilder";

const segmentChainSchema = z.strictObject({ ...listFields, kind: z.literal("segment-chain") });
export type SegmentChain = z.infer<typeof segmentChainSchema>;

const CONTACT = { data: 0, select: 1, clock: 2, plus: 3, minus: 4, out: 5 };

/** Segment displays whose drivers pass the data on: three pins for any number of them (common practice). */
export const segmentChain: CircuitKind<SegmentChain> = {
  kind: "segment-chain",
  stem: "digits",
  title: "Segment displays in a chain",
  isUndriven: true,
  purpose: "Three pins for any number of segment displays: each driver passes the data on to the next.",
  schema: segmentChainSchema,
  fresh: (id, name) => ({ id, kind: "segment-chain", name, members: [] }),
  accepts: (element) => element.kind === "device" && element.contacts.some(({ name }) => name === "data"),
  ...memberList,
  build(circuit, elements, places) {
    const builder = new CircuitBuilder(circuit.id, places);
    const displays = present(circuit.members, elements).filter(segmentChain.accepts);
    if (displays.length === 0) return builder.built;
    const select = builder.own("select", "select", outputNeed);
    const clock = builder.own("clock", "clock", outputNeed);
    let data = builder.own("data", "data", outputNeed);
    displays.forEach((display, nth) => {
      builder.joint(data, display, CONTACT.data);
      builder.joint(select, display, CONTACT.select);
      builder.joint(clock, display, CONTACT.clock);
      builder.joint(builder.supply, display, CONTACT.plus);
      builder.joint(builder.ground, display, CONTACT.minus);
      if (nth + 1 < displays.length) {
        data = builder.own(`chain ${nth + 1}`, "chain", null);
        builder.joint(data, display, CONTACT.out);
      }
    });
    return builder.built;
  },
  steps: () => [
    "Run clock and select past all displays, and the data pin to the first one's data.",
    "Run each display's data out to the next one's data.",
    "Feed supply and ground with 10 µF at each display.",
  ],
};
