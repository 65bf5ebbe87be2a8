import { between, listOf, whole, z } from "../schema";
import type { CircuitKind } from "./circuitKind";
import { listFields, memberList } from "./memberList";
import { CONVERSION_US } from "./direct";
import { type Net, type PlacedElement, analogNeed, outputNeed } from "./net";
import { CircuitBuilder, present } from "./circuitBuilder";

const ladderSchema = z.strictObject({
  ...listFields,
  kind: z.literal("ladder"),
  /** Keys of one bank; more keys make more banks, powered one at a time. */
  perBank: whole(2, 32),
  resistorOhm: between(10, 1e6),
  pullDownOhm: between(100, 1e8),
  /** Of the resistors, as a part of one. */
  tolerance: between(0, 0.2),
  /** Resistors of a bank from ground up where they are not all alike; a bank of another count has equal ones. */
  rungOhms: listOf(between(1, 1e7), 32),
  /** Of the supply between two readings, from its mean to its peak, as a part of one. */
  ripple: between(0, 0.2),
});
export type LadderCircuit = z.infer<typeof ladderSchema>;

/** Driven high while its bank is read; else it floats, or the other banks would pull the common line down. */
const bankNeed = { ...outputNeed, input: true };

/** Settling of the common line after a bank is powered (from memory). */
export const LADDER_SETTLE_US = 20;

const banksOf = (circuit: LadderCircuit, members: PlacedElement[]): PlacedElement[][] => {
  const count = Math.ceil(members.length / circuit.perBank);
  const each = Math.ceil(members.length / Math.max(1, count));
  return Array.from({ length: count }, (_, nth) => members.slice(nth * each, (nth + 1) * each));
};

/** Resistors of a bank of so many keys, from ground up. */
export const rungOhmsOf = ({ rungOhms, resistorOhm }: LadderCircuit, count: number): number[] =>
  rungOhms.length === count ? rungOhms : Array.from({ length: count }, () => resistorOhm);

/** Pad k of n sits at k/n of the supply when all are equal: n resistors from ground up, a pad at the top of each. */
function addBank(builder: CircuitBuilder, circuit: LadderCircuit, pads: PlacedElement[], top: Net, read: Net) {
  const { built } = builder;
  const ohms = rungOhmsOf(circuit, pads.length);
  let below = builder.ground;
  pads.forEach((element, nth) => {
    const isTop = nth === pads.length - 1;
    const rung = isTop ? top : builder.net(element.id, element.label, "switch", null);
    builder.joint(rung, element, 0);
    builder.shunt(`rung ${element.id}`, "resistor", `${ohms[nth]} Ω`, rung, below, element.contacts[0].at);
    below = rung;
    builder.joint(read, element, 1);
    built.groups.push({ strobeNet: null, cells: [{ senseNet: element.id, elementId: element.id }] });
    built.access[element.id] = {
      by: "rung",
      line: read.id,
      top: top.need ? top.id : null,
      rung: nth + 1,
      of: pads.length,
    };
  });
  built.ladders.push({
    line: read.id,
    top: top.id,
    rungs: pads.map(({ id }) => id),
    rungOhms: ohms,
    pullDownOhm: circuit.pullDownOhm,
  });
}

/** A dozen keys on one analog pin, told by their voltage; several banks are powered one at a time and read in turn. */
export const ladder: CircuitKind<LadderCircuit> = {
  kind: "ladder",
  stem: "ladder",
  title: "Resistor ladder",
  purpose: "A dozen keys on one analog pin by their voltage: one key at a time, and windows that tolerances narrow.",
  schema: ladderSchema,
  fresh: (id, name) => ({
    id,
    kind: "ladder",
    name,
    members: [],
    perBank: 12,
    resistorOhm: 1000,
    pullDownOhm: 1_000_000,
    tolerance: 0.01,
    rungOhms: [],
    ripple: 0,
  }),
  accepts: (element) => element.kind === "switch",
  ...memberList,
  build(circuit, elements, places) {
    const builder = new CircuitBuilder(circuit, places);
    const pads = present(circuit.members, elements).filter(({ kind }) => kind === "switch");
    if (pads.length === 0) return builder.built;
    const read = builder.own("rung", "analog", analogNeed);
    const banks = banksOf(circuit, pads);
    banks.forEach((bank, nth) => {
      const top = banks.length === 1 ? builder.supply : builder.own(`bank ${nth + 1}`, "bank", bankNeed);
      addBank(builder, circuit, bank, top, read);
    });
    builder.shunt("pull-down", "resistor", `${circuit.pullDownOhm} Ω`, read, builder.ground, pads[0].contacts[1].at);
    builder.built.reading.fixedUs = banks.length * (CONVERSION_US + LADDER_SETTLE_US);
    return builder.built;
  },
};
