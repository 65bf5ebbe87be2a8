import { describe, expect, it } from "vitest";
import { demoDesigns } from "../../../demo";
import { finishedPad, keyBlock, pad } from "../../../tests/support/designs";
import { controllerCatalogue } from "../catalogue/controllers";
import type { Control } from "../catalogue/kinds";
import type { Circuit } from "../circuits";
import { derive } from "../derived/derive";
import { randomFrom } from "../optimisation/random";
import { addControl } from "../edits/controls";
import { chooseController, freePin, lockPins, movePin } from "../edits/pins";
import { changeCircuit, setCell, shareOutDirect, wireAs, wireNew } from "../edits/wiring";
import { shareOutMatrix } from "../edits/shareOutMatrix";
import { newDesign } from "../document/newDesign";
import type { Design } from "../document/schema";
import { findingsOf } from "../findings/check";
import { pinConflict } from "./conflict";
import { nextPin } from "./padOrder";
import { padsBySide, sideOf } from "./pinSides";
import { crossingLeads, leadsOf, movedNets } from "./leads";
import { type PinPlanResult, planPins } from "./planPins";
import { shareOutPins } from "../edits/shareOutPins";
import { IMPOSSIBLE, NO_PIN, type PinProblem, solvePins } from "../optimisation/solvePins";
import { remedies } from "../edits/remedies";

const rowOf = (kinds: Control["kind"][], profileId: string): Design => {
  const placed = kinds.reduce(
    (d, kind, n) => addControl(d, kind, `c${n}`, { xMm: n * 30, yMm: 0, rotationDeg: 0, boardId: "panel" }),
    newDesign("row", "Row"),
  );
  return chooseController(placed, profileId);
};
const ids = (design: Design) => [...derive(design).elements.keys()];
const pinsOf = ({ assignments }: PinPlanResult) => Object.values(assignments);
const profileOf = (id: string) => controllerCatalogue.find((profile) => profile.id === id)!;

describe("groups that must be met together", () => {
  const costs = [
    [1, 5, 4, 9],
    [5, 1, 9, 5],
  ];
  const options = [
    { key: "0", pins: [[0], [3]] },
    { key: "1", pins: [[2], [1]] },
  ];

  it("are met by the option that costs least, and proven", () => {
    expect(solvePins({ costs, pins: 4, together: [] }).cost).toBe(2);
    const bound = solvePins({
      costs,
      pins: 4,
      together: [{ nets: [0, 1], sort: "i2c", options, otherwise: "unplaced" }],
    });
    expect(bound).toMatchObject({ pinOf: [2, 1], cost: 5, bound: 5, isProven: true });
  });

  it("stay without pins when they cannot be met", () => {
    const lost = solvePins({
      costs,
      pins: 4,
      together: [{ nets: [0, 1], sort: "i2c", options: [], otherwise: "unplaced" }],
    });
    expect(lost.pinOf).toEqual([-1, -1]);
    expect(lost.cost).toBe(2 * NO_PIN);
  });

  it("of one sort never take the same option", () => {
    const two = [
      [1, 9],
      [9, 1],
    ].flatMap((row) => [
      [...row, 9, 9],
      [9, 9, ...row],
    ]);
    const same = [
      {
        key: "0",
        pins: [
          [0, 1],
          [2, 3],
        ],
      },
    ];
    const group = (nets: number[]) => ({ nets, sort: "i2c", options: same, otherwise: "unplaced" as const });
    const solved = solvePins({ costs: two, pins: 4, together: [group([0, 1]), group([2, 3])] });
    expect(solved.pinOf.filter((pin) => pin < 0)).toHaveLength(2);
    expect(solved.cost).toBe(2 * NO_PIN + 2);
  });

  it("stand apart at their price when that leaves fewer nets without pins, or costs less", () => {
    const apart = (price: number) =>
      solvePins({ costs, pins: 4, together: [{ nets: [0, 1], sort: "rows", options, otherwise: { apart: price } }] });
    expect(apart(10)).toMatchObject({ pinOf: [2, 1], cost: 5 });
    expect(apart(1)).toMatchObject({ pinOf: [0, 1], cost: 3, isProven: true });
  });

  /** Every option of every group, and none, tried one after another. */
  function byTrying(problem: PinProblem): number {
    const { together } = problem;
    let best = Infinity;
    const go = (nth: number, table: number[][], extra: number, taken: string[]) => {
      if (nth === together.length) {
        best = Math.min(best, solvePins({ costs: table, pins: problem.pins, together: [] }).cost + extra);
        return;
      }
      const group = together[nth];
      const limited = (allowed: (net: number) => number[]) =>
        table.map((row, net) => {
          const at = group.nets.indexOf(net);
          return at < 0 ? row : row.map((cost, pin) => (allowed(at).includes(pin) ? cost : IMPOSSIBLE));
        });
      for (const option of group.options)
        if (!taken.includes(`${group.sort} ${option.key}`))
          go(
            nth + 1,
            limited((at) => option.pins[at]),
            extra,
            [...taken, `${group.sort} ${option.key}`],
          );
      if (group.otherwise === "unplaced")
        go(
          nth + 1,
          limited(() => []),
          extra,
          taken,
        );
      else go(nth + 1, table, extra + group.otherwise.apart, taken);
    };
    go(0, problem.costs, 0, []);
    return best;
  }

  it("cost what trying everything finds, also when not all can be met", () => {
    const random = randomFrom(11);
    const below = (n: number) => Math.floor(random() * n);
    let lost = 0;
    for (let round = 0; round < 150; round++) {
      const [nets, pins] = [4 + below(3), 3 + below(5)];
      const costsNow = Array.from({ length: nets }, () =>
        Array.from({ length: pins }, () => (random() < 0.7 ? below(50) : IMPOSSIBLE)),
      );
      const some = () => Array.from({ length: 1 + below(2) }, () => below(pins));
      const together = [
        [0, 1],
        [2, 3],
      ].map((members, nth) => ({
        nets: members,
        sort: "i2c",
        options: Array.from({ length: 1 + below(2) }, (_, option) => ({ key: String(option), pins: [some(), some()] })),
        otherwise: nth === 0 ? ("unplaced" as const) : { apart: below(30) },
      }));
      const problem: PinProblem = { costs: costsNow, pins, together };
      const ours = solvePins(problem);
      expect(ours.isProven).toBe(true);
      expect(ours.cost, `round ${round}`).toBeCloseTo(byTrying(problem), 6);
      if (ours.pinOf.includes(-1)) lost += 1;
      const used = ours.pinOf.filter((pin) => pin >= 0);
      expect(new Set(used).size).toBe(used.length);
    }
    expect(lost).toBeGreaterThan(20);
  });

  it("tell the gap and no proof when the nodes run out", () => {
    const random = randomFrom(3);
    const size = 60;
    const far = Array.from({ length: size }, () => Array.from({ length: size + 10 }, () => 1 + 100 * random()));
    const group = (nth: number) => ({
      nets: [2 * nth, 2 * nth + 1],
      sort: `bus ${nth}`,
      options: Array.from({ length: 20 }, (_, option) => ({
        key: String(option),
        pins: [[(7 * option + nth) % (size + 10)], [(11 * option + 3 * nth) % (size + 10)]],
      })),
      otherwise: "unplaced" as const,
    });
    const solved = solvePins({
      costs: far,
      pins: size + 10,
      together: Array.from({ length: 12 }, (_, nth) => group(nth)),
    });
    expect(solved.isProven).toBe(false);
    expect(solved.bound).toBeLessThan(solved.cost);
    expect(solved.pinOf.filter((pin) => pin >= 0).length).toBeGreaterThan(40);
  });

  it("are counted impossible only above every sum of real costs", () =>
    expect(IMPOSSIBLE).toBeGreaterThan(60 * NO_PIN));
});

describe("buses", () => {
  const bus = wireAs(rowOf(["display", "key", "key"], "dual-core-3v3-26"), "bus-displays", ["c0:display"]);
  const roleOf = (name: string, line: string) =>
    profileOf("dual-core-3v3-26")
      .pins.find((pin) => pin.name === name)!
      .buses.find((role) => role.bus === "i2c" && role.line === line)!;

  it("get both lines from one bus controller, also when one line is locked", () => {
    const { assignments } = planPins(bus);
    expect(roleOf(assignments["i2c0.SDA"], "SDA").instance).toBe(roleOf(assignments["i2c0.SCL"], "SCL").instance);
    const locked = lockPins(movePin(bus, "i2c0.SDA", "P18"), ["i2c0.SDA"], true);
    const again = planPins(locked).assignments;
    expect(again["i2c0.SDA"]).toBe("P18");
    expect(roleOf(again["i2c0.SCL"], "SCL").instance).toBe(roleOf("P18", "SDA").instance);
  });
});

describe("wishes", () => {
  const wired = chooseController(shareOutMatrix(pad(4, 4), "as-laid-out"), "dual-core-3v3-26");
  const profile = profileOf("dual-core-3v3-26");
  const sideUsed = (plan: PinPlanResult, side: string) =>
    pinsOf(plan).filter(
      (name) =>
        sideOf(
          profile,
          profile.pins.find((pin) => pin.name === name)!,
        ) === side,
    ).length;

  it("put rows together where that is possible, and never leave a net without a pin for it", () => {
    const small = chooseController(shareOutMatrix(pad(5, 2), "as-laid-out"), "thumb-3v3-11");
    const withDisplay = wireAs(
      addControl(small, "display", "d", { xMm: 0, yMm: 80, rotationDeg: 0, boardId: small.boards[0].id }),
      "bus-displays",
      ["d:display"],
    );
    const wished = { ...withDisplay, pinWishes: { keepFree: [], rowsTogether: true } };
    const free = planPins(withDisplay);
    expect(planPins(wished).unplaced).toEqual(free.unplaced);
  });

  it("leave only what one bus controller too few leaves: two buses, one controller", () => {
    const two = wireNew(
      wireAs(rowOf(["display", "display", "key"], "thumb-3v3-11"), "bus-displays", ["c0:display"]),
      "bus-displays",
      ["c1:display"],
    );
    const second = two.circuits.filter(({ kind }) => kind === "bus-displays")[1].id;
    const split = changeCircuit(two, second, { bus: 1 } as Partial<Circuit>);
    const instances = new Set(
      profileOf("thumb-3v3-11").pins.flatMap(({ buses }) =>
        buses.filter(({ bus }) => bus === "i2c").map((b) => b.instance),
      ),
    );
    const plan = planPins(split);
    expect(plan.unplaced).toHaveLength(instances.size >= 2 ? 0 : 2);
    expect(plan.proof).toBe("optimal");
  });

  it("never put two nets on the pin of a lock", () => {
    const first = planPins(wired);
    const taken = first.assignments["matrix.R1"];
    const locked = lockPins(movePin(wired, "matrix.C1", taken), ["matrix.C1"], true);
    const { assignments } = planPins(locked);
    expect(assignments["matrix.C1"]).toBe(taken);
    expect(Object.values(assignments).filter((pin) => pin === taken)).toHaveLength(1);
  });

  it("keep a side free while the other has room", () => {
    expect(sideUsed(planPins(wired), "left")).toBeGreaterThan(0);
    const free = { ...wired, pinWishes: { keepFree: ["left" as const], rowsTogether: false } };
    const plan = planPins(free);
    expect(plan.unplaced).toEqual([]);
    const rightPads = profile.pins.filter(
      (pin) => pin.role === "io" && !pin.reserved && sideOf(profile, pin) === "right",
    );
    expect(sideUsed(plan, "left")).toBe(Math.max(0, pinsOf(plan).length - rightPads.length));
  });

  it("put rows on neighbouring pads in their order, at no less wire than without", () => {
    const together = { ...wired, pinWishes: { keepFree: [], rowsTogether: true } };
    const plan = planPins(together);
    const rows = derive(wired).signalNets.filter(({ role }) => role === "row");
    const usable = profile.pins.filter((pin) => pin.role === "io" && !pin.reserved);
    const pads = padsBySide(profile, usable).find((side) =>
      side.some(({ name }) => name === plan.assignments[rows[0].id]),
    )!;
    const places = rows.map(({ id }) => pads.findIndex(({ name }) => name === plan.assignments[id]));
    const steps = places.slice(1).map((place, nth) => place - places[nth]);
    expect(new Set(steps).size).toBe(1);
    expect(Math.abs(steps[0])).toBe(1);
    expect(plan.proof).toBe("optimal");
    expect(plan.totalWireMm).toBeGreaterThanOrEqual(planPins(wired).totalWireMm - 1e-9);
  });
});

describe("a late change", () => {
  const done = finishedPad(4, 4);

  it("moves nothing when nothing is new, and places what is", () => {
    expect(planPins(done, "fewest-moves").assignments).toEqual(planPins(done).assignments);
    const changed = setCell(done, "k1:press", { row: 9, column: 0 });
    const after = shareOutPins(changed, "fewest-moves");
    const moved = movedNets(changed.pinPlan, planPins(changed, "fewest-moves").assignments);
    expect(moved.map(({ netId }) => netId)).toEqual(["matrix.R10"]);
    expect(findingsOf(after).filter(({ stage }) => stage === "pins")).toEqual([]);
  });

  it("carries a plan over to another class with the least changes", () => {
    const over = shareOutPins(chooseController(done, "dual-core-3v3-26"), "fewest-moves");
    expect(findingsOf(over).filter(({ rule }) => rule === "pins/without-pin")).toEqual([]);
    for (const [net, { pin }] of Object.entries(done.pinPlan))
      if (
        profileOf("dual-core-3v3-26").pins.some(
          ({ name, role, reserved }) => name === pin && role === "io" && !reserved,
        )
      )
        expect(over.pinPlan[net].pin).toBe(pin);
  });
});

describe("conflicts", () => {
  const pots = shareOutDirect(rowOf(["pot", "pot", "pot", "pot", "key"], "dual-core-3v3-26"));

  it("are the smallest sets: without any one of them the rest fits", () => {
    const conflict = pinConflict(pots)!;
    expect(conflict.nets.map(({ flag }) => flag).sort()).toEqual(["P1", "P2", "P3", "P4"]);
    expect(conflict.pins).toHaveLength(3);
    for (const left of conflict.nets) {
      const without = { ...pots, controls: pots.controls.filter(({ id }) => !left.id.startsWith(`${id}:`)) };
      expect(pinConflict(without)).toBeNull();
    }
  });

  it("name the lock that stands in the way, and unlocking is a remedy", () => {
    const three = shareOutDirect(rowOf(["pot", "pot", "pot", "key"], "dual-core-3v3-26"));
    const locked = lockPins(movePin(three, "c3:press", "P28"), ["c3:press"], true);
    const conflict = pinConflict(locked)!;
    expect(conflict.locks.map(({ id }) => id)).toEqual(["c3:press"]);
    expect(remedies(locked)[0].title).toBe("Unlock K1");
  });

  it("are none where everything fits", () => {
    for (const design of demoDesigns) {
      expect(pinConflict(design)).toBeNull();
      expect(remedies(design)).toEqual([]);
    }
  });

  it.each([pots, chooseController(shareOutDirect(keyBlock(5, 4)), "thumb-3v3-11")])(
    "have remedies that each settle them, case %#",
    (design) => {
      const options = remedies(design);
      expect(options.length).toBeGreaterThan(1);
      for (const option of options) {
        const after = option.apply(design);
        const left = findingsOf(after).filter(({ severity, stage }) => severity === "stop" && stage === "pins");
        expect(left, option.title).toEqual([]);
      }
    },
  );

  it("say that two buses want two bus controllers", () => {
    const two = wireAs(rowOf(["display", "display", "display"], "small-5v-18"), "bus-displays", ["c0:display"]);
    const another = {
      ...two,
      circuits: [...two.circuits, { ...two.circuits[0], id: "displays-2", bus: 1, members: ["c1:display"] }],
    } as Design;
    const flags = pinConflict(another)!.nets.map(({ flag }) => flag);
    expect(flags).toHaveLength(2);
    expect(flags.filter((flag) => flag.endsWith("2"))).toHaveLength(1);
    expect(ids(another)).toHaveLength(3);
  });
});

describe("pins with the arrow keys", () => {
  const profile = profileOf("small-5v-18");
  const net = derive(finishedPad()).netById.get("matrix.R1")!;

  it("go round the module through every pin that can serve, and back", () => {
    const seen: string[] = [];
    let pin: string | null = null;
    do {
      pin = nextPin(profile, net, pin ?? undefined, 1, new Set());
      seen.push(pin!);
    } while (seen.length < 18);
    expect(new Set(seen).size).toBe(18);
    expect(nextPin(profile, net, seen[17], 1, new Set())).toBe(seen[0]);
    expect(nextPin(profile, net, seen[0], -1, new Set())).toBe(seen[17]);
    // A net without a pin comes in at either end.
    expect(nextPin(profile, net, undefined, 1, new Set())).toBe(seen[0]);
    expect(nextPin(profile, net, undefined, -1, new Set())).toBe(seen[17]);
    expect(nextPin(profile, net, seen[0], 1, new Set([seen[1]]))).toBe(seen[2]);
  });
});

describe("leads", () => {
  it("cross in a fresh plan only where the nets need different pins", () => {
    for (const design of [finishedPad(), finishedPad(5, 4), demoDesigns[1]]) {
      const { assignments } = planPins(design);
      const { netById } = derive(design);
      for (const [one, other] of crossingLeads(leadsOf(design, assignments)))
        expect(netById.get(one.netId)!.need).not.toEqual(netById.get(other.netId)!.need);
    }
  });

  it("that are swapped by hand cross more", () => {
    const done = demoDesigns[1];
    const pins = (design: Design) =>
      Object.fromEntries(Object.entries(design.pinPlan).map(([id, { pin }]) => [id, pin]));
    const swapped = movePin(freePin(done, "nobody"), "matrix.R1", done.pinPlan["matrix.R5"].pin);
    expect(crossingLeads(leadsOf(swapped, pins(swapped))).length).toBeGreaterThan(
      crossingLeads(leadsOf(done, pins(done))).length,
    );
  });
});
