import { createElement } from "react";
import { renderToStaticMarkup } from "react-dom/server";
import { describe, expect, it } from "vitest";
import { type AnyControlKind, type Control, controlKinds } from "@/core/catalogue/kinds";
import { partCatalogue } from "@/core/catalogue/parts";
import { addControl, changeControl } from "@/core/edits/controls";
import { newDesign } from "@/core/document/newDesign";
import { ControlShape } from "./drawing/ControlShape";
import { viewOf } from "./kinds";
import { PlateLens } from "./lenses/PlateLens";

const kinds = controlKinds as unknown as AnyControlKind[];
const at = { xMm: 10, yMm: 20, rotationDeg: 30, boardId: "panel" };
const pitch = { xMm: 19.05, yMm: 19.05 };

function drawn(control: Control, more: object = {}): string {
  const part = partCatalogue.find(({ id }) => id === control.partId)!;
  const shape = createElement(ControlShape, {
    control,
    part,
    colour: null,
    pitch,
    selected: false,
    tone: "none" as const,
    words: control.label,
    small: "",
    ends: "",
    lit: "",
    solderSide: false,
    tabStop: true,
    ...more,
  });
  return renderToStaticMarkup(createElement("svg", null, shape));
}

describe.each(kinds)("$kind on the mat", (kind) => {
  const control = kind.fresh("c", "Label", at);

  it("is a button that says what it is, its size and its place", () => {
    const html = drawn(control);
    expect(html).toContain('role="button"');
    expect(html).toContain(`aria-label="${kind.title} Label, ${kind.describe(control)}, at 10 by 20 mm"`);
    expect(html).toContain("translate(10 20) rotate(30)");
  });

  it("draws finite numbers only, whichever side is up and whatever is done with it", () => {
    for (const more of [{}, { solderSide: true }, { ends: "press", lit: "#ff0000", selected: true, tone: "stop" }])
      expect(drawn(control, more)).not.toMatch(/NaN|Infinity|undefined/);
  });

  it("shows its contacts on the solder side, one dot each", () => {
    const contacts = kind.elements(control).flatMap((element) => element.contacts);
    const dots = drawn(control, { solderSide: true }).match(/r="0.85"/g) ?? [];
    expect(dots).toHaveLength(contacts.length);
  });

  it("has a sign for buttons", () => expect(viewOf(kind.kind as Control["kind"]).Sign).toBeDefined());
});

describe("a key", () => {
  const key = kinds[0].fresh("k", "K1", at);

  it("takes the colour of its group on cap and top", () =>
    expect(drawn(key, { colour: "#a9c9c4" })).toContain("--cap:#a9c9c4"));
  it("is drawn in two pieces when it is L-shaped", () => {
    const tall = {
      ...key,
      widthU: 1.25,
      heightU: 2,
      second: { xU: -0.125, yU: -0.5, widthU: 1.5, heightU: 1 },
    } as Control;
    const path = /<path d="([^"]+)"/.exec(drawn(tall))![1];
    expect(path.match(/Z/g)).toHaveLength(2);
  });
  it("shows its step and the legends of other layers", () => {
    expect(drawn({ ...key, widthU: 1.75, stepU: 1.25 } as Control)).toMatch(/v\d+(\.\d+)?"/);
    expect(drawn(key, { corners: "F1\nHome" })).toMatch(/F1<.*Home</);
  });
  it("is round when its part is", () => {
    const button = { ...key, partId: "button-24" } as Control;
    expect(drawn(button)).toContain("<ellipse");
    expect(drawn(key)).not.toContain("<ellipse");
  });
});

describe("the plate lens", () => {
  const design = changeControl(addControl(newDesign("d", "D"), "key", "k", at), "k", { widthU: 2 });
  const lens = (seam: { xMm: number; yMm: number }[] | null) =>
    renderToStaticMarkup(createElement("svg", null, createElement(PlateLens, { design, seam })));

  it("shows the opening, both openings of the stabiliser and the room behind", () => {
    expect(lens(null).match(/<path/g)).toHaveLength(1 + 2 + 1);
  });
  it("shows a seam from end to end", () => {
    expect(
      lens([
        { xMm: 0, yMm: 0 },
        { xMm: 0, yMm: 50 },
      ]),
    ).toContain("M0 0L0 50");
  });
});
