import { describe, expect, it } from "vitest";
import { partCatalogue } from "../parts";
import { boundsOf } from "../../geometry/outline";
import { type AnyControlKind, controlKinds, controlSchema, kindNamed } from ".";

// What every kind of control promises to the rest of the program; a new kind is checked here without a new test.
const at = { xMm: 10, yMm: 20, rotationDeg: 30, boardId: "panel" };
const kinds = controlKinds as unknown as AnyControlKind[];
const pitch = { xMm: 19.05, yMm: 19.05 };

describe.each(kinds)("kind $kind", (kind) => {
  const control = kind.fresh("id1", "Label", at);

  it("makes a fresh control that its own schema and the common one take", () => {
    expect(kind.schema.safeParse(control).success).toBe(true);
    expect(controlSchema.safeParse(control).success).toBe(true);
    expect(control).toMatchObject({ id: "id1", kind: kind.kind, label: "Label", placement: at });
  });

  it("is found by its name", () => expect(kindNamed(control.kind)).toBe(kind));

  it("refuses a field that it does not know", () => {
    expect(kind.schema.safeParse({ ...control, moonPhase: "full" }).success).toBe(false);
  });

  it("has elements and contacts whose ids begin with its own and are all different", () => {
    const elements = kind.elements(control);
    const ids = elements.flatMap((element) => [element.id, ...element.contacts.map((contact) => contact.id)]);
    expect(elements.length > 0).toBe(kind.kind !== "fixing");
    expect(new Set(ids).size).toBe(ids.length);
    for (const id of ids) expect(id).toMatch(/^id1[:.]/);
    for (const element of elements) expect(element.controlId).toBe("id1");
  });

  it("has as many contacts as its elements need", () => {
    const needed = { switch: 2, quadrature: 3, lamp: 2, analog: 3, light: 4, output: 2, device: 3 };
    for (const { kind: sort, contacts } of kind.elements(control)) {
      if (sort === "device") expect(contacts.length).toBeGreaterThanOrEqual(needed[sort]);
      else expect(contacts).toHaveLength(needed[sort]);
    }
  });

  it("has inputs that belong to its elements", () => {
    const elements = new Set(kind.elements(control).map((element) => element.id));
    const inputs = kind.inputs(control);
    for (const input of inputs) expect(elements.has(input.elementId)).toBe(true);
    expect(new Set(inputs.map((input) => input.id)).size).toBe(inputs.length);
  });

  const part = partCatalogue.find(({ id }) => id === kind.partId)!;

  it("takes a part of the catalogue that is made for it", () => {
    expect(part.kind).toBe(kind.kind);
    expect(control.partId).toBe(part.id);
  });

  it("has outlines of a size that a hand can use", () => {
    for (const outline of [...kind.cap(control, pitch, part), kind.body(control, part)]) {
      const box = boundsOf([outline])!;
      expect(box.maxXMm - box.minXMm).toBeGreaterThan(1);
      expect(box.maxXMm - box.minXMm).toBeLessThan(100);
      expect(box.minXMm).toBeCloseTo(-box.maxXMm, 9);
      expect(box.minYMm).toBeCloseTo(-box.maxYMm, 9);
    }
  });

  it("says its size in words and its title in a sentence", () => {
    expect(kind.describe(control)).toMatch(/\d/);
    expect(kind.article.toLowerCase()).toBe(`${/^[AEIO]/.test(kind.title) ? "an" : "a"} ${kind.title.toLowerCase()}`);
  });
});

describe("caps", () => {
  const capWidth = (widthU: number) => {
    const key = { ...kindNamed("key").fresh("k", "K", at), widthU } as Parameters<AnyControlKind["cap"]>[0];
    const box = boundsOf(kindNamed("key").cap(key, pitch, partCatalogue[0]))!;
    return box.maxXMm - box.minXMm;
  };

  // Common practice: an 18.1 mm cap on a 19.05 mm pitch, and 0.95 mm between neighbours whatever their widths.
  it.each([1, 1.25, 1.5, 1.75, 2, 2.25, 2.75, 6.25, 7])("of %s u leaves 0.95 mm to its neighbour", (widthU) => {
    expect(capWidth(widthU)).toBeCloseTo(widthU * 19.05 - 0.95, 9);
  });
});
