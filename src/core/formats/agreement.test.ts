import { describe, expect, it } from "vitest";
import { demoDesigns } from "../../../demo";
import { finishedPad } from "../../../tests/support/designs";
import { mistreated } from "../../../tests/support/mistreated";
import { GROUND, rails } from "../circuits/net";
import { derive } from "../derived/derive";
import type { Design } from "../document/schema";
import { factsOf } from "../findings/facts";
import { scanTableOf } from "../firmware/scanTable";
import { pinsHeader } from "../targets/archiveFiles";
import { netlistOf } from "../wires/netlist";
import { isPad, wiresOf } from "../wires/wires";

const power = new Set([GROUND, ...rails.map(({ id }) => id)]);

/** Contacts of a net that wires join, with what hangs on a contact by its own lead. */
function joined(design: Design, netId: string): number {
  const ends = new Map<string, string>();
  const root = (id: string): string => (ends.get(id) === id ? id : root(ends.get(id)!));
  const net = derive(design).netById.get(netId)!;
  for (const { contactId } of net.joints) ends.set(contactId, contactId);
  for (const { from, to, netId: of } of wiresOf(design)) {
    if (of !== netId || isPad(from) || isPad(to)) continue;
    ends.set(root(from.id), root(to.id));
  }
  // Places nearer than half a millimetre need no wire.
  const near = (a: number, b: number) =>
    Math.hypot(net.joints[a].at.xMm - net.joints[b].at.xMm, net.joints[a].at.yMm - net.joints[b].at.yMm) <= 0.5;
  net.joints.forEach((one, a) =>
    net.joints.forEach((other, b) => {
      if (a < b && near(a, b)) ends.set(root(one.contactId), root(other.contactId));
    }),
  );
  return new Set([...ends.keys()].map(root)).size;
}

const starts = [finishedPad(), ...demoDesigns];
const designs = [
  ...starts.map((design) => ({ name: design.name, design })),
  ...Array.from({ length: 40 }, (_, nth) => ({
    name: `mistreated ${nth + 1}`,
    design: mistreated(starts[nth % starts.length], 1000 + nth),
  })),
];

describe.each(designs)("What is said of $name", ({ design }) => {
  const { nets, signalNets, profile, elements } = derive(design);
  const list = netlistOf(design);
  const pinNamed = new Set(profile?.pins.filter(({ role }) => role === "io").map(({ name }) => name));

  it("agrees between pin plan, netlist and the firmware's pin list", () => {
    const header = pinsHeader(scanTableOf(design), design);
    const modulePads = new Map(
      list.flatMap(({ pins }) => pins.filter(({ part }) => part === "A1").map((pad) => [pad.end, pins] as const)),
    );
    const chosen = signalNets.filter(({ id }) => pinNamed.has(design.pinPlan[id]?.pin));
    const shared = new Set(
      chosen.map(({ id }) => design.pinPlan[id].pin).filter((pin, nth, all) => all.indexOf(pin) !== nth),
    );
    for (const { id, joints } of chosen) {
      const { pin } = design.pinPlan[id];
      // A net with the pad alone has a single end; one that shares its pin is a finding of its own.
      if (joints.length === 0 || shared.has(pin)) continue;
      expect(modulePads.has(pin), `${id} on ${pin}`).toBe(true);
    }
    const { senseLines, strobeLines } = scanTableOf(design);
    for (const id of [...senseLines, ...strobeLines]) {
      const pin = design.pinPlan[id]?.pin;
      if (pin && pinNamed.has(pin)) expect(header).toContain(pin);
    }
  });

  it("joins every contact of every net by wires", () => {
    for (const { id, joints } of nets) if (joints.length > 1) expect(joined(design, id), id).toBe(1);
  });

  it("names each contact on one net only, and each part's end once in the netlist", () => {
    const contacts = nets.flatMap(({ joints }) => joints.filter(({ elementId }) => elements.has(elementId)));
    const seen = new Map<string, number>();
    for (const { contactId } of contacts) seen.set(contactId, (seen.get(contactId) ?? 0) + 1);
    const twice = [...seen].filter(([, times]) => times > 1).map(([id]) => id);
    expect(twice).toEqual([]);
    const ends = list.flatMap(({ pins }) => pins.map(({ part, number }) => `${part} ${number}`));
    expect(ends.filter((end, nth) => ends.indexOf(end) !== nth)).toEqual([]);
  });

  it("counts what the circuits add, and rows, columns and pins as nets", () => {
    const { diodes, resistors, rows, columns, pinsNeeded } = factsOf(design);
    const { builtCircuits, shunts } = derive(design);
    const added = [...builtCircuits.flatMap(({ inline }) => inline), ...shunts];
    expect(diodes + resistors).toBe(added.length);
    expect(rows + columns).toBe(nets.filter(({ role }) => role === "row" || role === "column").length);
    expect(pinsNeeded).toBe(signalNets.filter(({ id }) => !power.has(id)).length);
  });
});
