import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { finishedPad, matrixOf, pad } from "../../../tests/support/designs";
import { derive } from "../derived/derive";
import { setCell, shareOutDirect, unwire, wireDirect } from "../edits/wiring";
import { shareOutMatrix } from "../edits/shareOutMatrix";
import type { Design } from "../document/schema";
import { circuitKindOf, circuitSchema } from ".";
import { matrix } from "./matrix";

const builtCircuits = (design: Design) => derive(design).builtCircuits;

describe.each([finishedPad(), shareOutDirect(pad()), shareOutMatrix(pad(4, 2), "fewest-pins")])(
  "circuits of a pad, case %#",
  (design) => {
    it("are what their schema takes", () => {
      for (const circuit of design.circuits) expect(circuitSchema.safeParse(circuit).success).toBe(true);
    });

    it("let go of each member and then hold it no more", () => {
      for (const circuit of design.circuits) {
        const kind = circuitKindOf(circuit);
        for (const id of kind.members(circuit)) expect(kind.members(kind.without(circuit, id))).not.toContain(id);
        expect(kind.without(circuit, "nobody:press")).toBe(circuit);
      }
    });

    it("give every contact of every member to exactly one net", () => {
      const joints = derive(design).nets.flatMap((net) => net.joints.map((joint) => joint.contactId));
      const contacts = [...derive(design).elements.values()].flatMap((element) =>
        element.contacts.map((contact) => contact.id),
      );
      expect(joints.sort()).toEqual(contacts.sort());
    });

    it("conduct between nets that exist", () => {
      const ids = new Set(derive(design).nets.map((net) => net.id));
      for (const { from, to } of builtCircuits(design).flatMap((built) => built.conductors)) {
        expect(ids.has(from)).toBe(true);
        expect(ids.has(to)).toBe(true);
      }
    });

    it("drive what they strobe and read what they sense", () => {
      const { netById } = derive(design);
      for (const group of builtCircuits(design).flatMap((built) => built.groups)) {
        if (group.strobeNet) expect(netById.get(group.strobeNet)!.need).toMatchObject({ output: true, input: false });
        for (const { senseNet } of group.cells)
          expect(netById.get(senseNet)!.need).toMatchObject({ input: true, pullUp: true });
      }
    });

    it("scan every switch once", () => {
      const scanned = builtCircuits(design).flatMap((built) =>
        built.groups.flatMap((group) => group.cells.map((cell) => cell.elementId)),
      );
      const switches = [...derive(design).elements.values()].filter((element) => element.kind === "switch");
      expect(scanned.sort()).toEqual(switches.map((element) => element.id).sort());
    });
  },
);

describe("a matrix", () => {
  it("turns round what is driven with the diodes' direction", () => {
    const needs = (diodes: "column-to-row" | "row-to-column" | "none") => {
      const built = matrix.build({ ...matrixOf(finishedPad()), diodes }, derive(finishedPad()).elements, {});
      return built.nets.filter((net) => net.role === "row").every((net) => net.need!.output);
    };
    expect(needs("column-to-row")).toBe(true);
    expect(needs("none")).toBe(true);
    expect(needs("row-to-column")).toBe(false);
  });

  it("counts the diodes that are fitted", () => {
    const count = (withoutDiode: string[], diodes: "column-to-row" | "none" = "column-to-row") =>
      matrix
        .build({ ...matrixOf(finishedPad()), withoutDiode, diodes }, derive(finishedPad()).elements, {})
        .inline.filter(({ sort }) => sort === "diode").length;
    expect([count([]), count(["k1:press", "k2:press"]), count([], "none")]).toEqual([10, 8, 0]);
  });

  it("puts each of 200 switches that come unplanned into a cell of its own", () => {
    const ids = Array.from({ length: 200 }, (_, nth) => `k${nth}:press`);
    const cells = Object.values(matrix.with(matrix.fresh("m", "M"), ids).cells);
    expect(new Set(cells.map(({ row, column }) => `${row} ${column}`)).size).toBe(200);
    expect(cells.every(({ row, column }) => row < 32 && column < 32)).toBe(true);
  });

  it("takes switches only", () => {
    const kinds = [...derive(pad()).elements.values()]
      .filter((element) => matrix.accepts(element))
      .map((element) => element.kind);
    expect(new Set(kinds)).toEqual(new Set(["switch"]));
  });
});

describe("wiring by hand", () => {
  it("never puts an element into two circuits, whatever is done in which order", () => {
    const ids = [...derive(pad()).elements.keys()];
    const step = fc.record({
      id: fc.constantFrom(...ids),
      what: fc.constantFrom("cell", "direct", "off"),
      row: fc.integer({ min: 0, max: 5 }),
      column: fc.integer({ min: 0, max: 5 }),
    });
    fc.assert(
      fc.property(fc.array(step, { maxLength: 25 }), (steps) => {
        let design = pad();
        for (const { id, what, row, column } of steps) {
          if (what === "cell" && id.endsWith(":press")) design = setCell(design, id, { row, column });
          else if (what === "direct") design = wireDirect(design, [id]);
          else design = unwire(design, [id]);
        }
        for (const owners of derive(design).circuitsOf.values()) expect(owners).toHaveLength(1);
        for (const circuit of design.circuits)
          expect(circuitKindOf(circuit).members(circuit).length).toBeGreaterThan(0);
      }),
      { numRuns: 60 },
    );
  });
});
