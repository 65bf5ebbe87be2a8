import { stepsOf } from "./steps";
import fc from "fast-check";
import { placeChip } from "../edits/chips";
import { describe, expect, it } from "vitest";
import { finishedPad, keyBlock, matrixOf, pad } from "../../../tests/support/designs";
import { allIds, everything, wiredAs } from "../../../tests/support/everyCircuit";
import { derive } from "../derived/derive";
import { placeControls } from "../edits/controls";
import { chooseController, lockPins, moveController } from "../edits/pins";
import {
  changeCircuit,
  moveMember,
  orderMembers,
  setLinePair,
  setTwoWayCell,
  shareOutDirect,
  unwire,
  wireAs,
  wireInto,
  wireNew,
} from "../edits/wiring";
import { shareOutMatrix } from "../edits/shareOutMatrix";
import type { Design } from "../document/schema";
import { deviceOf } from "../engine/preparedDevice";
import { planPins } from "../pins/planPins";
import { type Circuit, circuitKindNamed, circuitKindOf, circuitKinds, circuitSchema } from ".";
import type { Charlieplex } from "./charlieplex";
import { terminalPlace } from "./chip";
import type { TwoWayMatrix } from "./twoWayMatrix";
import type { DirectCircuit } from "./direct";
import type { LightChain } from "./lightChain";
import type { MultiplexerCircuit } from "./multiplexer";
import { SUPPLY } from "./net";
import { orderByPlace } from "./placeOrder";

const only = (design: Design, kind: Circuit["kind"]) => design.circuits.find((circuit) => circuit.kind === kind)!;

describe.each(circuitKinds.map((kind) => kind.kind))("the circuit %s", (kind) => {
  const design = wiredAs(kind);
  const circuit = only(design, kind);
  const members = circuitKindOf(circuit).members(circuit);
  const { builtCircuits, elements, netById } = derive(design);
  const built = builtCircuits[design.circuits.indexOf(circuit)];

  it("takes what it can of everything, and its schema takes it", () => {
    expect(members.length).toBeGreaterThan(0);
    expect(circuitSchema.safeParse(circuit).success).toBe(true);
    for (const id of members) expect(circuitKindOf(circuit).accepts(elements.get(id)!)).toBe(true);
  });

  it("joins each contact of each member to one net, but a radio's and a display's spare ones to none", () => {
    const joints = built.nets.flatMap((net) => net.joints.map(({ contactId }) => contactId));
    expect(new Set(joints).size).toBe(joints.length);
    for (const id of members)
      for (const contact of elements.get(id)!.contacts)
        if (contact.name !== "out") expect(joints, contact.id).toContain(contact.id);
  });

  it("has added parts whose terminals lie on its nets, at their places", () => {
    for (const chip of built.chips)
      chip.terminals.forEach(({ name, netId }, nth) => {
        if (netId === null) return;
        const joint = netById.get(netId)!.joints.find(({ contactId }) => contactId === `${chip.id}.${name}`);
        expect(joint?.at).toEqual(terminalPlace(chip, nth));
      });
  });

  it("conducts between nets that exist, and says how each line without a pin is reached", () => {
    for (const { from, to } of built.conductors) expect([netById.has(from), netById.has(to)]).toEqual([true, true]);
    const lines = [
      ...built.groups.flatMap(({ cells }) => cells.map(({ senseNet }) => senseNet)),
      ...built.encoders.flatMap(({ netA, netB }) => [netA, netB]),
      ...built.lamps.map(({ net }) => net),
    ];
    for (const line of lines)
      expect(Boolean(netById.get(line)?.need) || line in built.access, `${line} is reached`).toBe(true);
  });

  it("lets go of each member, and is gone with the last", () => {
    const first = unwire(design, [members[0]]);
    expect(derive(first).circuitsOf.has(members[0])).toBe(false);
    expect(unwire(design, members).circuits).toEqual([]);
  });

  it("tells how it is put together and what for", () => {
    expect(stepsOf(circuit, built).length).toBeGreaterThan(0);
    expect(circuitKindNamed(kind).purpose).toMatch(/\.$/);
  });
});

const READING: Circuit["kind"][] = [
  "direct",
  "matrix",
  "two-way-matrix",
  "input-registers",
  "multiplexer",
  "expander",
  "ladder",
];

describe.each(READING)("switches read by %s", (kind) => {
  it("are told one by one by the firmware", () => {
    const design = wiredAs(kind);
    const device = deviceOf(design, {});
    const switches = [...derive(design).elements.values()].filter((e) => e.kind === "switch");
    for (const { id } of switches) {
      device.press(id, true);
      device.runUntil(device.nowMs + 20);
      expect(switches.filter((e) => device.debounced(e.id)).map((e) => e.id)).toEqual([id]);
      device.press(id, false);
      device.runUntil(device.nowMs + 20);
    }
  });
});

describe("knobs and lamps behind added parts", () => {
  it.each(["input-registers", "multiplexer", "expander"] as const)("knobs are turned through %s", (kind) => {
    const design = wireAs(finishedPad(), kind, ["e1:turn"]);
    const bound = {
      ...design.keymap.layers[0].bindings,
      "e1:cw": { does: "keyboard" as const, usage: 5, modifiers: 0 },
    };
    const reports: Uint8Array[] = [];
    const device = deviceOf(
      { ...design, keymap: { ...design.keymap, layers: [{ ...design.keymap.layers[0], bindings: bound }] } },
      { report: ({ bytes }) => reports.push(bytes) },
    );
    device.runUntil(5);
    device.turn("e1:turn", 3);
    device.runUntil(400);
    expect(reports.filter((bytes) => bytes.includes(5))).toHaveLength(3);
  });

  it.each(["output-registers", "charlieplex"] as const)("a lamp shines through %s", (kind) => {
    const design = wireAs(pad(), kind, ["l1:lamp"]);
    const lit: boolean[] = [];
    const device = deviceOf(
      { ...design, keymap: { ...design.keymap, lamps: { l1: { when: "always" } } } },
      { lamp: (_at, _line, on) => lit.push(on) },
    );
    device.runUntil(10);
    expect(lit).toEqual([true]);
  });

  it("two keys of one ladder bank are told as one", () => {
    const design = wireAs(keyBlock(4, 3), "ladder", allIds(keyBlock(4, 3)));
    const device = deviceOf(design, {});
    device.press("k2:press", true);
    device.press("k9:press", true);
    device.runUntil(30);
    expect(allIds(design).filter((id) => device.debounced(id))).toHaveLength(1);
  });
});

describe("settings of circuits", () => {
  it("direct to the supply holds its lines by resistors, needs no pull-up, and reads the same", () => {
    const design = changeCircuit<DirectCircuit>(shareOutDirect(keyBlock(2, 2)), "direct", { polarity: "to-supply" });
    const { signalNets, builtCircuits, nets } = derive(design);
    expect(signalNets.every(({ need, heldBy }) => !need!.pullUp && heldBy === "resistor")).toBe(true);
    expect(builtCircuits[0].shunts.map(({ value }) => value)).toEqual(["10 kΩ", "10 kΩ", "10 kΩ", "10 kΩ"]);
    expect(nets.find(({ id }) => id === SUPPLY)!.joints).toHaveLength(4);
  });

  it("eight-way multiplexers need a select line less and twice as many parts", () => {
    const wide = wireAs(keyBlock(6, 5), "multiplexer", allIds(keyBlock(6, 5)));
    const narrow = changeCircuit<MultiplexerCircuit>(wide, "mux", { channels: 8 });
    const count = (design: Design) => [derive(design).chips.length, derive(design).signalNets.length];
    expect(count(wide)).toEqual([2, 4 + 2]);
    expect(count(narrow)).toEqual([4, 3 + 4]);
  });

  it("one bus serves expanders and displays with two pins, branches take displays of one address", () => {
    const ids = allIds(everything);
    const design = wireAs(wireAs(everything, "expander", ids), "bus-displays", ids);
    const bus = derive(design).signalNets.filter(({ role }) => role === "bus");
    expect(bus.map(({ id }) => id)).toEqual(["i2c0.SCL", "i2c0.SDA"]);
    expect(derive(design).chips.some(({ part }) => part === "bus-multiplexer")).toBe(true);
  });

  it("a bridged light has its data in and out on one net, and the chain stays whole", () => {
    const chain = wiredAs("light-chain");
    const [first, second, third] = (only(chain, "light-chain") as LightChain).members;
    const netOf = (design: Design, contact: string) =>
      derive(design).nets.find(({ joints }) => joints.some(({ contactId }) => contactId === contact))?.id;
    const control = (id: string) => id.split(":")[0];
    expect(netOf(chain, `${control(second)}.in`)).not.toBe(netOf(chain, `${control(second)}.out`));
    const bridged = changeCircuit<LightChain>(chain, "lights", { bridged: [second] });
    expect(netOf(bridged, `${control(second)}.in`)).toBe(netOf(bridged, `${control(second)}.out`));
    expect(netOf(bridged, `${control(first)}.out`)).toBe(netOf(bridged, `${control(third)}.in`));
  });

  it("members move, added parts are laid elsewhere, and both can be put back", () => {
    const design = wireAs(keyBlock(3, 3), "input-registers", allIds(keyBlock(3, 3)));
    const moved = moveMember(design, "in", "k9:press", 0);
    expect((only(moved, "input-registers") as { members: string[] } & Circuit).members[0]).toBe("k9:press");
    const laid = placeChip(design, "in.U1", { xMm: 1, yMm: 2 });
    expect(derive(laid).chips[0].at).toEqual({ xMm: 1, yMm: 2 });
    expect(placeChip(laid, "in.U1", null).chipPlaces).toEqual({});
  });
});

describe("places by hand", () => {
  const ids = allIds(keyBlock(3, 2));
  it("of a two-way matrix swap with what is there, so that no two switches share one", () => {
    const design = wireAs(keyBlock(3, 2), "two-way-matrix", ids);
    const cellsOf = (d: Design) => (only(d, "two-way-matrix") as TwoWayMatrix).cells;
    const [first, last] = [cellsOf(design)[ids[0]], cellsOf(design)[ids[5]]];
    const moved = setTwoWayCell(design, "two-way", ids[0], last);
    expect([cellsOf(moved)[ids[0]], cellsOf(moved)[ids[5]]]).toEqual([last, first]);
    expect(setTwoWayCell(design, "nowhere", ids[0], last)).toBe(design);
  });

  it("of lamps between line pairs swap too, and never take one line twice", () => {
    const lamps = wiredAs("charlieplex");
    const pairsOf = (d: Design) => (only(d, "charlieplex") as Charlieplex).pairs;
    const [one, two] = Object.keys(pairsOf(lamps));
    const moved = setLinePair(lamps, "pairs", one, pairsOf(lamps)[two]);
    expect(pairsOf(moved)[two]).toEqual(pairsOf(lamps)[one]);
    expect(setLinePair(lamps, "pairs", one, { from: 1, to: 1 })).toBe(lamps);
  });
});

describe("an order by place", () => {
  it("keeps everyone, fills parts, and shortens branches against the order of placing", () => {
    const design = wireAs(keyBlock(8, 6), "input-registers", allIds(keyBlock(8, 6)));
    const ordered = orderMembers(design, "in");
    const membersOf = (d: Design) => (only(d, "input-registers") as { members: string[] } & Circuit).members;
    expect([...membersOf(ordered)].sort()).toEqual([...membersOf(design)].sort());
    const branches = (d: Design) =>
      derive(d)
        .nets.filter(({ role }) => role === "switch")
        .reduce((sum, { joints: [a, b] }) => sum + Math.hypot(a.at.xMm - b.at.xMm, a.at.yMm - b.at.yMm), 0);
    expect(branches(ordered)).toBeLessThan(0.8 * branches(design));
    expect(orderByPlace([], 8, () => 1)).toEqual([]);
  });
});

describe("wiring by hand, over all kinds", () => {
  const ids = allIds(everything);
  const kinds = circuitKinds.map(({ kind }) => kind);

  it("never puts an element into two circuits nor two nets on a pin, whatever is done in which order", () =>
    fc.assert(
      fc.property(
        fc.array(fc.record({ kind: fc.constantFrom(...kinds), some: fc.subarray(ids), fresh: fc.boolean() }), {
          maxLength: 8,
        }),
        (steps) => {
          const design = steps.reduce(
            (d, { kind, some, fresh }) => (fresh ? wireNew(d, kind, some) : wireAs(d, kind, some)),
            everything,
          );
          for (const owners of derive(design).circuitsOf.values()) expect(owners).toHaveLength(1);
          for (const circuit of design.circuits)
            expect(circuitKindOf(circuit).members(circuit).length).toBeGreaterThan(0);
          const pins = Object.values(planPins(chooseController(design, "large-5v-70")).assignments);
          expect(new Set(pins).size).toBe(pins.length);
        },
      ),
      { numRuns: 25 },
    ));

  it("never moves what is locked, and says nothing of a circuit that is not there", () => {
    const locked = lockPins(finishedPad(), ["matrix.R1", "l1:lamp"], true);
    for (const mode of ["afresh", "fewest-moves"] as const) {
      const { assignments } = planPins(locked, mode);
      for (const id of ["matrix.R1", "l1:lamp"]) expect(assignments[id]).toBe(locked.pinPlan[id].pin);
    }
    expect(wireInto(locked, "nowhere", ["k1:press"])).toBe(locked);
    expect(changeCircuit(locked, "nowhere", {})).toBe(locked);
  });
});

/** Everything as in a looking-glass about x = 0: places, turns, contacts, and the module's pads. */
function mirrored(design: Design): Design {
  const places = new Map(
    design.controls.map(({ id, placement: { xMm, rotationDeg } }) => [
      id,
      { xMm: -xMm, rotationDeg: -rotationDeg, mirrored: true as const },
    ]),
  );
  const { placement } = derive(design).controller!;
  return moveController(placeControls(design, places), {
    xMm: -placement.xMm,
    rotationDeg: -placement.rotationDeg,
    side: "under",
  });
}

describe("a mirrored half", () => {
  const half = chooseController(shareOutMatrix(pad(5, 4), "as-laid-out"), "dual-core-3v3-26");

  it("has the mirrored pin plan: the same nets on the same pins, with as much wire", () => {
    const [plain, glass] = [planPins(half), planPins(mirrored(half))];
    expect(glass.assignments).toEqual(plain.assignments);
    expect(glass.totalWireMm).toBeCloseTo(plain.totalWireMm, 6);
  });

  it("has the mirrored rows and columns in reading order", () => {
    const glass = shareOutMatrix(mirrored(half), "as-laid-out");
    const most = Math.max(...Object.values(matrixOf(half).cells).map(({ column }) => column));
    for (const [id, { row, column }] of Object.entries(matrixOf(half).cells))
      if (id.startsWith("k")) expect(matrixOf(glass).cells[id]).toEqual({ row, column: most - column });
  });
});
