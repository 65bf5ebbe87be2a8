import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { demoDesigns } from "../../../demo";
import { keyBlock } from "../../../tests/support/designs";
import { controllerCatalogue } from "../catalogue/controllers";
import { placeControls } from "../edits/controls";
import { placeRows } from "../edits/importRows";
import { newDesign } from "../document/newDesign";
import type { Design } from "../document/schema";
import { readCapTable } from "./capTable";
import { readDxf } from "./dxfIn";
import { readKeyTable } from "./keyTable";
import { layoutFromDrawing } from "./layoutFromDrawing";
import { pinTableCsv, readPinTable } from "./pinTable";
import { profileJson, readProfile } from "./profileJson";
import { artifactNamed } from "../exports/registry";
import { readSvg } from "./svgIn";

const pitch = { xMm: 19.05, yMm: 19.05 };
const text = (bytes: Uint8Array) => new TextDecoder().decode(bytes);
const exported = async (design: Design, id: string) => {
  const made = await artifactNamed(id)!.make(design);
  if (!made.ok) throw new Error(JSON.stringify(made.problems));
  return text(made.value.bytes);
};

describe("a key table", () => {
  it("is read with a first line that names the columns in any order", () => {
    const { rows, problems } = readKeyTable("label,y,x,w\nA,0,0,1\nB,1,2,1.5", "units", pitch);
    expect(problems).toEqual([]);
    expect(rows[1]).toMatchObject({ label: "B", xMm: 2.25 * 19.05, yMm: 19.05, widthU: 1.5, rotationDeg: 0 });
  });

  it("is read without one, with tabs from a spreadsheet or semicolons and decimal commas", () => {
    expect(readKeyTable("0\t0\t1\t1\t0\tQ\n19,05\t0\t1\t1\t15\tW", "mm", pitch).rows[1]).toMatchObject({
      xMm: 19.05,
      rotationDeg: 15,
      label: "W",
    });
    expect(readKeyTable("x;y;width\n1,5;0,25;2,25", "units", pitch).rows[0].widthU).toBe(2.25);
  });

  it("is taken in part when lines are wrong, and says which and why", () => {
    const { rows, problems } = readKeyTable(
      "x,y,width,label\n0,0,1,A\n1,oops,1,B\n2,0,40,C\n,0,1,D\n3,0,1,E",
      "units",
      pitch,
    );
    expect(rows.map(({ label }) => label)).toEqual(["A", "E"]);
    expect(problems).toEqual([
      { line: 3, message: '"oops" under y is not a number.' },
      { line: 4, message: "width is 40; it goes from 0.5 to 10." },
      { line: 5, message: "There is no x. Each line needs x and y." },
    ]);
  });

  it("says what it does not know, and that an empty one is empty", () => {
    expect(readKeyTable("x,y,colour\n0,0,red", "mm", pitch).problems[0].message).toMatch(
      /^The column "colour" is not known/,
    );
    expect(readKeyTable("x,y,kind\n0,0,lever", "mm", pitch).problems[0].message).toBe(
      '"lever" is no kind of control here.',
    );
    expect(readKeyTable("\n\n", "mm", pitch).problems).toHaveLength(1);
  });

  it("never throws and never invents, whatever the text", () =>
    fc.assert(
      fc.property(fc.string(), (words) => {
        const { rows } = readKeyTable(words, "units", pitch);
        for (const row of rows) expect(Number.isFinite(row.xMm) && Number.isFinite(row.yMm)).toBe(true);
      }),
    ));

  it("comes back from the position table: every part at its place, to a micrometre", async () => {
    for (const design of demoDesigns) {
      const { rows, problems } = readKeyTable(await exported(design, "positions-csv"), "mm", design.pitch);
      expect(problems).toEqual([]);
      expect(rows).toHaveLength(design.controls.length);
      rows.forEach((row, nth) => {
        const { placement, kind, label } = design.controls[nth];
        expect(row).toMatchObject({ kind, label });
        expect(Math.hypot(row.xMm - placement.xMm, row.yMm - placement.yMm)).toBeLessThanOrEqual(0.001);
      });
    }
  });
});

describe("a drawing of our own", () => {
  const read = (id: string, drawing: string) => {
    const result = id === "plate-svg" ? readSvg(drawing) : readDxf(drawing);
    if (!result.ok) throw new Error(JSON.stringify(result.problems));
    return result.value;
  };

  it.each(["plate-svg", "plate-dxf"])("%s returns the same layout to 0.001 mm and 0.001°", async (id) => {
    for (const design of demoDesigns) {
      const layout = layoutFromDrawing(read(id, await exported(design, id)), design.pitch);
      expect(layout.rows).toHaveLength(design.controls.length);
      for (const { label, placement, kind } of design.controls) {
        const row = layout.rows.find((each) => each.label === label)!;
        expect(row.kind).toBe(kind);
        expect(Math.hypot(row.xMm - placement.xMm, row.yMm - placement.yMm)).toBeLessThanOrEqual(0.001);
        expect(Math.abs(row.rotationDeg - placement.rotationDeg)).toBeLessThanOrEqual(0.001);
      }
    }
  });

  it("does so for any places and turns", async () => {
    const place = fc.tuple(fc.integer({ min: -200, max: 200 }), fc.integer({ min: -179, max: 179 }));
    await fc.assert(
      fc.asyncProperty(fc.array(place, { minLength: 1, maxLength: 5 }), async (places) => {
        const block = keyBlock(places.length, 1);
        const moved = new Map(
          places.map(([yMm, rotationDeg], nth) => [`k${nth + 1}`, { xMm: nth * 40, yMm, rotationDeg }]),
        );
        const design = placeControls(block, moved);
        const { rows } = layoutFromDrawing(read("plate-svg", await exported(design, "plate-svg")), pitch);
        for (const { label, placement } of design.controls) {
          const row = rows.find((each) => each.label === label)!;
          expect(Math.hypot(row.xMm - placement.xMm, row.yMm - placement.yMm)).toBeLessThanOrEqual(0.001);
          expect(Math.abs(row.rotationDeg - placement.rotationDeg)).toBeLessThanOrEqual(0.001);
        }
      }),
      { numRuns: 20 },
    );
  });
});

describe("any drawing", () => {
  const svg = (inner: string, attributes = 'width="200mm" height="100mm" viewBox="0 0 200 100"') =>
    `<svg xmlns="http://www.w3.org/2000/svg" ${attributes}>${inner}</svg>`;
  const rowsOf = (drawing: string, unit?: number) => {
    const result = readSvg(drawing, unit);
    if (!result.ok) throw new Error(JSON.stringify(result.problems));
    return { ...layoutFromDrawing(result.value, pitch), problems: result.value.problems };
  };

  it("gives keys for 14 mm squares, turned ones too, and encoders for bushing holes", () => {
    const { rows } = rowsOf(
      svg(
        '<rect x="3" y="3" width="14" height="14"/><g transform="translate(50 50) rotate(20)"><rect x="-7" y="-7" width="14" height="14"/></g><circle cx="80" cy="20" r="3.5"/>',
      ),
    );
    expect(rows).toHaveLength(3);
    expect(rows.find((row) => Math.abs(row.xMm - 50) < 1e-6)).toMatchObject({ kind: "key", rotationDeg: 20 });
    expect(rows.filter(({ kind }) => kind === "encoder")).toHaveLength(1);
  });

  it("reads paths with curves, relative commands and the scale of the file", () => {
    const inches = 'width="10in" height="5in" viewBox="0 0 10 5"';
    const { rows } = rowsOf(svg('<path d="m1 1h.5512v.5512h-.5512z"/>', inches));
    expect(rows[0].xMm).toBeCloseTo((1 + 0.2756) * 25.4, 3);
  });

  it("takes the largest outline as the board's edge, and counts what it does not know", () => {
    const { outline, rows, notes } = rowsOf(
      svg(
        '<rect width="120" height="60"/><rect x="10" y="10" width="14" height="14"/><rect x="40" y="10" width="14" height="14"/><rect x="70" y="10" width="31" height="3"/>',
      ),
    );
    expect(outline).not.toBeNull();
    expect(rows).toHaveLength(2);
    expect(notes[0]).toMatch(/^1 closed outline looks like no known part/);
  });

  it("takes one part for a cap and its opening about one centre", () => {
    const { rows } = rowsOf(
      svg('<rect x="0.475" y="0.475" width="37.15" height="18.1"/><rect x="12.05" y="2.525" width="14" height="14"/>'),
    );
    expect(rows).toHaveLength(1);
    expect(rows[0]).toMatchObject({ widthU: 2, heightU: 1 });
  });

  it("says what is wrong with the file", () => {
    const broken = readSvg("<svg><rect></svg>");
    expect(broken.ok ? "" : broken.problems[0].message).toMatch(/^The file is not sound XML/);
    expect(readSvg("<p/>").ok).toBe(false);
    expect(readDxf("not a drawing").ok).toBe(false);
    expect(rowsOf(svg('<path d="M0 0L10 0L10 10"/>')).problems[0].message).toBe(
      "1 line that is not closed was left out.",
    );
  });
});

describe("a pin table", () => {
  it.each(controllerCatalogue)("of $title comes back as it was", (profile) => {
    const { pins, problems } = readPinTable(text(pinTableCsv(profile)));
    expect(problems).toEqual([]);
    expect(pins).toEqual(profile.pins);
  });

  it("is taken in part when lines are wrong", () => {
    const { pins, problems } = readPinTable(
      "name,x,y,analog,buses,pwm\nP0,1,2,0,,yes\nP1,one,2,,,\nP2,1,5,,i2c SDA,\nP3,1,7,,,maybe\nP0,1,9,,,\nP4,1,11,,i2c 0 SDA + spi 1 clock,no",
    );
    expect(pins.map(({ name }) => name)).toEqual(["P0", "P4"]);
    expect(pins[1].buses).toHaveLength(2);
    expect(problems.map(({ line }) => line)).toEqual([3, 4, 5, 6]);
    expect(problems[1].message).toBe('"i2c SDA" under buses is not like "i2c 0 SDA".');
  });
});

describe("a controller class as a file", () => {
  it("comes back as it was, and says what is wrong with another", () => {
    const profile = controllerCatalogue[2];
    expect(readProfile(text(profileJson(profile)))).toEqual({ ok: true, value: profile });
    const bad = readProfile(JSON.stringify({ ...profile, logicV: 12 }));
    expect(bad.ok ? "" : bad.problems[0].path).toBe("logicV");
    expect(readProfile("{").ok).toBe(false);
  });
});

describe("a table of caps", () => {
  it("is read with problems by line", () => {
    const { caps, problems } = readCapTable(
      "width;height;row;count;label\n1;1;3;10;\n2,25;1;3;1;Enter\n0;1;1;1;x\n1;1;1;1,5;y",
    );
    expect(caps).toHaveLength(2);
    expect(caps[1]).toMatchObject({ widthU: 2.25, profile: "3", count: 1, label: "Enter", form: "plain" });
    expect(problems.map(({ line }) => line)).toEqual([4, 5]);
  });
});

describe("rows read in", () => {
  it("become controls with labels of their own and stabilisers where they are long", () => {
    const { rows } = readKeyTable("0,0,1,1,0,A\n1,0,2,1,0,", "units", pitch);
    let n = 0;
    const design = placeRows(newDesign("d", "D"), rows, "panel", () => `r${(n += 1)}`);
    expect(design.controls.map(({ label }) => label)).toEqual(["A", "K1"]);
    expect(design.controls[1]).toMatchObject({ stabiliser: true, widthU: 2 });
  });
});
