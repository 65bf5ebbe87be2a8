import { describe, expect, it } from "vitest";
import { demoDesigns } from "../../../../demo";
import { finishedPad } from "../../../../tests/support/designs";
import { jointsOf } from "../../catalogue/prices";
import type { Design } from "../../document/schema";
import { addControl } from "../../edits/controls";
import { addBoard } from "../../edits/boards";
import { conductorsAcross } from "../../wires/across";
import { frameBytes, frameMs } from "./partLink";
import { partsApart } from "./partsApart";
import type { ApartWay } from "./way";

const loom = demoDesigns.find(({ name }) => name.startsWith("Loom"))!;
const waysOf = (design: Design) => {
  const apart = partsApart(design)!;
  expect(apart.far).toHaveLength(1);
  return Object.fromEntries(apart.far[0].ways.map((way) => [way.id, way])) as Record<string, ApartWay>;
};

describe("what a far part tells over a line", () => {
  const keys = { switches: 32, knobs: 0, voltages: 0 };

  // By hand: 32 contacts are 4 bytes, 5 stand around them; 90 bits at 250,000 a second.
  it("takes the time of its bits", () => {
    expect(frameBytes(keys)).toBe(9);
    expect(frameMs(keys)).toBeCloseTo(0.36, 9);
  });

  it("is longer by a byte for eight more contacts, for a knob, and by two for a voltage", () => {
    const bytes = frameBytes(keys);
    expect(frameBytes({ ...keys, switches: 33 })).toBe(bytes + 1);
    expect(frameBytes({ ...keys, switches: 40 })).toBe(bytes + 1);
    expect(frameBytes({ ...keys, knobs: 2 })).toBe(bytes + 2);
    expect(frameBytes({ ...keys, voltages: 3 })).toBe(bytes + 6);
  });
});

describe("the ways to a half that lies apart", () => {
  const ways = waysOf(loom);
  const near = loom.controllers[0].placement.boardId;
  const far = loom.boards.find(({ id }) => id !== near)!;

  it("are a cable as it is wired, and fewer conductors through parts or a controller there", () => {
    expect(ways.ribbon.conductors).toEqual(conductorsAcross(loom, near, far.id));
    expect(ways["input-registers"].conductors).toEqual(["supply", "ground", "latch", "clock", "data"]);
    expect(ways["bus-expanders"].conductors).toEqual(["supply", "ground", "clock", "data"]);
    expect(ways.serial.conductors).toHaveLength(4);
    expect(ways["bus-module"].conductors).toHaveLength(5);
    expect(ways["own-plug"].conductors).toEqual([]);
  });

  it("count what is added there: 32 keys are four registers of eight, or two expanders of sixteen", () => {
    expect(ways["input-registers"].parts["register-in"]).toBe(4);
    expect(ways["bus-expanders"].parts.expander).toBe(2);
    for (const id of ["serial", "bus-module", "own-plug"]) expect(ways[id].controller).not.toBeNull();
    for (const id of ["ribbon", "input-registers", "bus-expanders"]) expect(ways[id].controller).toBeNull();
  });

  it("tell a press as much later as the line takes, and up to a look more", () => {
    expect(ways.serial.laterMs.least).toBeCloseTo(0.36, 9);
    expect(ways.serial.laterMs.most).toBeCloseTo(1.36, 9);
    // A module is seen in the next scan, asked, and heard in the one after that.
    expect(ways["bus-module"].laterMs).toEqual({ least: 1, most: 2 });
    expect(ways.ribbon.laterMs.most).toBe(0);
  });

  it("solder both ends of each conductor, and what is added", () => {
    for (const { joints, parts, conductors } of Object.values(ways))
      expect(joints).toBe(jointsOf(parts) + 2 * conductors.length);
  });

  it("free pins of the controller, as its own part then stands alone", () => {
    expect(ways["own-plug"].pins.needed).toBeLessThan(ways.ribbon.pins.needed);
    expect(ways.serial.pins.needed).toBe(ways["own-plug"].pins.needed + 2);
    expect(ways["input-registers"].pins.needed).toBe(ways["own-plug"].pins.needed + 3);
  });

  it("are those of the other half, where the controller lies there", () => {
    const [controller] = loom.controllers;
    const moved = {
      ...loom,
      controllers: [{ ...controller, placement: { ...controller.placement, boardId: far.id } }],
    };
    expect(partsApart(moved)!.near.id).toBe(far.id);
    expect(partsApart(moved)!.far.map(({ board }) => board.id)).toEqual([near]);
  });
});

describe("a design without parts apart", () => {
  it("is one board, or has no controller, or lays it on a board that is gone", () => {
    expect(partsApart(finishedPad())).toBeNull();
    expect(partsApart({ ...loom, controllers: [] })).toBeNull();
    const [controller] = loom.controllers;
    const lost = { ...controller, placement: { ...controller.placement, boardId: "constructor" } };
    expect(partsApart({ ...loom, controllers: [lost] })).toBeNull();
  });

  it("is one whose other board is empty", () =>
    expect(partsApart(addBoard(finishedPad(), "far", "Far half", "half"))).toBeNull());
});

describe("a large part apart", () => {
  const many = (count: number): Design => {
    let design = addBoard(finishedPad(), "far", "Far half", "half");
    const board = design.boards.at(-1)!.id;
    for (let nth = 0; nth < count; nth++)
      design = addControl(design, "key", `far-${nth}`, {
        xMm: 20 * (nth % 20),
        yMm: 200 + 20 * Math.floor(nth / 20),
        rotationDeg: 0,
        boardId: board,
      });
    return design;
  };

  it("is beyond expanders, and wires that are not there yet are told", () => {
    const ways = waysOf(many(130));
    expect(ways["bus-expanders"]).toBeUndefined();
    expect(ways.ribbon.lacks).toBe("nothing of it is wired to the other part yet");
    expect(ways["input-registers"].parts["register-in"]).toBe(17);
  });
});
