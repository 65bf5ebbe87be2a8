import { describe, expect, it } from "vitest";
import { demoDesigns } from "../../../demo";
import { readDesign } from "../document/readDesign";
import type { Design } from "../document/schema";
import { derive } from "../derived/derive";
import { halfOf, onHalf, withHalf } from "../derived/halves";
import { type Circuit, circuitKindNamed } from "../circuits";
import type { ExpanderCircuit } from "../circuits/expander";
import { findingsOf } from "../findings/check";
import { supplyAt } from "../power/solveSupply";
import { planPins } from "../pins/planPins";
import { conductorsAcross } from "../wires/across";
import { netlistOf } from "../wires/netlist";
import { wiresOf } from "../wires/wires";
import { addController, ownControllerFor, removeController, serveFrom } from "./controllers";
import { adoptPinPlan } from "./pins";

const loom = demoDesigns.find(({ name }) => name.startsWith("Loom"))!;
const near = loom.controllers[0].placement.boardId;
const far = loom.boards.find(({ id }) => id !== near)!.id;
const split = ownControllerFor(loom, far, loom.controllers[0].profileId);
const planned = adoptPinPlan(split, planPins(split));
const text = (design: Design) => JSON.stringify(design);

describe("a controller of its own in the other half", () => {
  it("serves what lies there, and nothing else", () => {
    const { elements, controls, netById } = derive(split);
    const boardOf = (id: string) => controls.get(elements.get(id)?.controlId ?? "")?.placement.boardId;
    for (const { joints, controllerId, need } of netById.values()) {
      if (!need) continue;
      const boards = new Set(joints.flatMap(({ elementId }) => (elementId ? [boardOf(elementId)] : [])));
      if (boards.size > 0) expect([...boards]).toEqual([controllerId === "controller-2" ? far : near]);
    }
    expect(split.circuits.some(({ controllerId }) => controllerId === "controller-2")).toBe(true);
  });

  it("holds every element once, as before", () => {
    const held = (design: Design) => [...derive(design).circuitsOf].map(([id, all]) => `${id} ${all.length}`).sort();
    expect(held(split)).toEqual(held(loom));
  });

  it("leaves four conductors between the halves", () => {
    expect(conductorsAcross(loom, near, far).length).toBeGreaterThan(4);
    expect(conductorsAcross(split, near, far)).toEqual(["supply", "to the far part", "from the far part", "ground"]);
    expect(wiresOf(split).filter(({ phase }) => phase === "links")).toEqual([]);
    expect(split.links[0].conductors).toHaveLength(4);
  });

  it("has a plan of pins for both, each on pins of its own", () => {
    const plan = planPins(split);
    expect(plan.unplaced).toEqual([]);
    const pins = Object.values(planned.pinPlan).map(({ controllerId, pin }) => `${controllerId} ${pin}`);
    expect(new Set(pins).size).toBe(pins.length);
    expect(new Set(Object.values(planned.pinPlan).map(({ controllerId }) => controllerId)).size).toBe(2);
  });

  it("puts what one end sends on the conductor that the other receives on", () => {
    const { chips } = derive(planned);
    const plugs = chips.filter(({ part }) => part === "link-plug").map(({ terminals }) => terminals);
    expect(plugs.map((all) => all.map(({ name }) => name))).toEqual([
      ["supply", "to-far", "from-far", "ground"],
      ["supply", "to-far", "from-far", "ground"],
    ]);
    expect(plugs.map((all) => all.slice(1, 3).map(({ netId }) => netId))).toEqual([
      ["link-near.sends", "link-near.receives"],
      ["link-far.receives", "link-far.sends"],
    ]);
    expect(plugs[0][3].netId).not.toBe(plugs[1][3].netId);
  });

  it("is in the netlist with each pad on one net, and each net on one board's parts", () => {
    const pins = netlistOf(planned).flatMap(({ pins }) =>
      pins.map(({ part, end, number }) => `${part} ${end} ${number}`),
    );
    expect(new Set(pins).size).toBe(pins.length);
    expect(pins.some((pin) => pin.startsWith("A2 "))).toBe(true);
  });

  it("has no finding that it did not have, but what it tells of the link", () => {
    const stops = (design: Design) => findingsOf(design).filter(({ severity }) => severity === "stop");
    expect(stops(planned).map(({ rule, message }) => `${rule}: ${message}`)).toEqual(
      stops(loom).map(({ rule, message }) => `${rule}: ${message}`),
    );
  });

  it("comes back from a file as it was written", () => {
    const answer = readDesign(JSON.parse(text(planned)));
    expect(answer.ok && JSON.parse(text(answer.value))).toEqual(JSON.parse(text(planned)));
  });

  it("is gone with its circuits on the main one, and their pins free", () => {
    const back = removeController(planned, "controller-2");
    expect(back.controllers).toHaveLength(1);
    expect(back.partLinks).toEqual([]);
    expect(back.circuits.every(({ controllerId }) => controllerId === undefined)).toBe(true);
    expect(Object.values(back.pinPlan).every(({ controllerId }) => controllerId === "controller")).toBe(true);
  });
});

describe("a half", () => {
  it("is the design as its controller sees it, and the two make the whole again", () => {
    for (const { id } of planned.controllers) {
      const half = halfOf(planned, id);
      expect(half.controllers.map((one) => one.id)).toEqual([id]);
      const own = derive(planned).netsFor(id);
      expect(derive(half).signalNets.map(({ flag }) => flag)).toEqual(own.map(({ flag }) => flag));
      expect(Object.keys(half.pinPlan)).toHaveLength(own.length);
      expect(withHalf(planned, id, half)).toEqual(planned);
    }
  });

  it("takes an edit alone", () => {
    const edited = onHalf("controller-2", (half) => ({ ...half, pinPlan: {} }))(planned);
    expect(Object.values(edited.pinPlan).every(({ controllerId }) => controllerId === "controller")).toBe(true);
    expect(edited.circuits).toEqual(planned.circuits);
  });

  it("is the design itself where there is one controller", () => {
    expect(halfOf(loom, "controller")).toBe(loom);
    expect(halfOf(loom, "constructor")).toBe(loom);
  });
});

describe("what is looked at for each controller", () => {
  const [farNet] = derive(planned).netsFor("controller-2");
  const wrong: Design = {
    ...planned,
    pinPlan: { ...planned.pinPlan, [farNet.id]: { controllerId: "controller-2", pin: "no such pin", locked: false } },
  };
  const found = findingsOf(wrong).filter(({ subjects }) => subjects.some(({ id }) => id === farNet.id));

  it("is told with the part's name, and its fix settles it there and changes nothing of the other", () => {
    expect(found.length).toBeGreaterThan(0);
    for (const { message } of found) expect(message.startsWith("Right half: ")).toBe(true);
    const fixed = found[0].fixes[0].apply(wrong);
    expect(fixed.pinPlan[farNet.id]).toBeUndefined();
    const near = (design: Design) =>
      Object.entries(design.pinPlan).filter(([, { controllerId }]) => controllerId === "controller");
    expect(near(fixed)).toEqual(near(wrong));
    expect(fixed.circuits).toEqual(wrong.circuits);
  });

  it("is current too: the other part hangs on the plug with all that it takes, and is fed as by a plug where it stands alone", () => {
    const [whole, alone] = [planned, halfOf(planned, "controller-2")].map((design) => supplyAt(design, "worst")!);
    const one = supplyAt(loom, "worst")!;
    expect(whole.sourceMa).toBeCloseTo(one.sourceMa + alone.sourceMa, 6);
    const other = whole.consumers.find(({ sort }) => sort === "other part")!;
    expect(other.label).toBe("Right half, over the line");
    expect(other.ma("worst", 5)).toBeCloseTo(alone.sourceMa, 6);
    expect(whole.rails.map(({ netId }) => netId)).toEqual(["5V"]);
  });
});

describe("buses of two controllers", () => {
  it("are two, with pull-ups of their own, though both have the same number", () => {
    const onBus = (id: string, members: string[], controllerId?: string): Circuit => ({
      ...(circuitKindNamed("expander").fresh(id, id) as ExpanderCircuit),
      members,
      ...(controllerId ? { controllerId } : {}),
    });
    const ids = (isFar: boolean) =>
      loom.controls.filter(({ placement }) => (placement.boardId === far) === isFar).slice(0, 8);
    const members = (isFar: boolean) => ids(isFar).map(({ id }) => `${id}:press`);
    const design = {
      ...planned,
      circuits: [onBus("exp", members(false)), onBus("exp-2", members(true), "controller-2")],
    };
    const { nets, shunts } = derive(design);
    const lines = nets.filter(({ role }) => role === "bus").filter(({ id }) => id.startsWith("i2c"));
    expect(lines.map(({ id }) => id).sort()).toEqual([
      "i2c0.SCL",
      "i2c0.SDA",
      "i2c0@controller-2.SCL",
      "i2c0@controller-2.SDA",
    ]);
    expect(new Set(lines.map(({ flag }) => flag)).size).toBe(4);
    expect(shunts.filter(({ id }) => id.includes("pull-up"))).toHaveLength(4);
    const half = halfOf(design, "controller-2");
    expect(
      derive(half)
        .nets.filter(({ id }) => id.startsWith("i2c"))
        .map(({ id }) => id),
    ).toEqual(["i2c0.SCL", "i2c0.SDA"]);
    const chosen = { i2c0: { controllerId: "controller-2", pin: "P1", locked: true } };
    const withPins = { ...design, pinPlan: { "i2c0@controller-2.SCL": chosen.i2c0 } };
    expect(halfOf(withPins, "controller-2").pinPlan).toEqual({ "i2c0.SCL": chosen.i2c0 });
    expect(withHalf(withPins, "controller-2", halfOf(withPins, "controller-2"))).toEqual(withPins);
  });
});

describe("what cannot be", () => {
  it("changes nothing: classes, boards and controllers that are not there, a second controller on a board, a ninth", () => {
    expect(ownControllerFor(loom, "nowhere", loom.controllers[0].profileId)).toBe(loom);
    expect(ownControllerFor(loom, far, "constructor")).toBe(loom);
    expect(ownControllerFor(split, far, loom.controllers[0].profileId)).toBe(split);
    expect(ownControllerFor({ ...loom, controllers: [] }, far, loom.controllers[0].profileId).controllers).toEqual([]);
    expect(removeController(loom, "controller")).toBe(loom);
    expect(serveFrom(loom, loom.circuits[0].id, "__proto__")).toBe(loom);
    let many = loom;
    for (let nth = 0; nth < 12; nth++) many = addController(many, loom.controllers[0].profileId, far);
    expect(many.controllers).toHaveLength(8);
    expect(new Set(many.controllers.map(({ id }) => id)).size).toBe(8);
  });

  it("is told of a file: a circuit or a link at a controller that is not there, a link to itself", () => {
    const told = (change: Partial<Design>) => {
      const answer = readDesign(JSON.parse(text({ ...planned, ...change })));
      return answer.ok ? "" : answer.problems.map(({ message }) => message).join(" ");
    };
    expect(told({ circuits: planned.circuits.map((one) => ({ ...one, controllerId: "gone" })) })).toMatch(/"gone"/);
    expect(told({ partLinks: [{ ...planned.partLinks![0], farId: "gone" }] })).toMatch(/"gone"/);
    expect(told({ partLinks: [{ ...planned.partLinks![0], farId: "controller" }] })).toMatch(/to itself/);
  });
});
