import DxfParser from "dxf-parser";
import { chromium } from "@playwright/test";
import { beforeAll, describe, expect, it } from "vitest";
import { demoDesigns } from "@demo/index";
import { derive } from "@/core/derived/derive";
import type { Design } from "@/core/document/schema";
import { artifactNamed } from "@/core/exports/registry";
import { boundsOf } from "@/core/geometry/outline";
import { stabiliserOf } from "@/core/catalogue/kinds/stabiliser";
import { FULL_PITCH_MM } from "@/core/document/newDesign";
import { beamDeflectionMm, plateDeflectionMm } from "@/core/making/bending";
import { partCatalogue } from "@/core/catalogue/parts";

// Plates as files, read by programs that are not ours, and bending against a handbook.

const text = (bytes: Uint8Array) => new TextDecoder().decode(bytes);
async function exported(design: Design, id: string): Promise<Uint8Array> {
  const made = await artifactNamed(id)!.make(design);
  if (!made.ok) throw new Error(JSON.stringify(made.problems));
  return made.value.bytes;
}

interface Poly {
  layer: string;
  type: string;
  shape: boolean;
  vertices: { x: number; y: number }[];
}

const area = (v: Poly["vertices"]) =>
  Math.abs(v.reduce((sum, p, i) => sum + p.x * v[(i + 1) % v.length].y - v[(i + 1) % v.length].x * p.y, 0)) / 2;

/** Openings on the plate: posts that lie within their part's own opening make none of their own. */
const openingsOf = (design: Design) => {
  const all = derive(design).openings.map(({ owner, outline }) => ({ owner, box: boundsOf([outline])! }));
  const holds = (big: (typeof all)[number], small: (typeof all)[number]) =>
    big !== small &&
    big.owner === small.owner &&
    big.box.minXMm <= small.box.minXMm &&
    big.box.maxXMm >= small.box.maxXMm &&
    big.box.minYMm <= small.box.minYMm &&
    big.box.maxYMm >= small.box.maxYMm;
  return all.filter((small) => !all.some((big) => holds(big, small))).map(({ box }) => box);
};

describe.each(demoDesigns)("the DXF of $name, read by dxf-parser", (design) => {
  let drawing: ReturnType<DxfParser["parseSync"]>;
  const on = (layer: string) =>
    (drawing!.entities as unknown as Poly[]).filter((entity) => entity.layer === layer && entity.type === "POLYLINE");
  beforeAll(async () => {
    drawing = new DxfParser().parseSync(text(await exported(design, "plate-dxf")));
  });

  it("is release 12 with closed polylines on named layers", () => {
    expect(drawing!.header.$ACADVER).toBe("AC1009");
    const lines = (drawing!.entities as unknown as Poly[]).filter(({ type }) => type === "POLYLINE");
    expect(lines.length).toBeGreaterThan(0);
    expect(lines.every(({ shape }) => shape)).toBe(true);
    expect(Object.keys(drawing!.tables.layer.layers)).toEqual(
      expect.arrayContaining(["PLATE_EDGE", "PLATE_OPENINGS", "LABELS"]),
    );
  });

  it("has an edge for every board and an opening for every part that wants one", () => {
    expect(on("PLATE_EDGE")).toHaveLength(design.boards.length);
    expect(on("PLATE_OPENINGS")).toHaveLength(openingsOf(design).length);
  });

  // Common practice: the switch opening is 14.0 mm square; the fillet takes (4 − π) r² of each, a kerf half its width all round.
  it("opens 14 mm squares, less the fillet's corners, smaller by the kerf", () => {
    const { filletMm, kerfMm } = design.making;
    const side = 14 - kerfMm;
    const expected = side * side - (4 - Math.PI) * Math.max(0, filletMm - kerfMm / 2) ** 2;
    const switches = design.controls.filter((c) => c.kind === "key" && c.partId === "switch-full").length;
    const squares = on("PLATE_OPENINGS").filter(({ vertices }) => Math.abs(area(vertices) - expected) < 0.05);
    expect(squares).toHaveLength(switches);
  });
});

describe.each(demoDesigns)("the STL of $name", (design) => {
  it("is closed, faces outwards and holds the volume of the layers", async () => {
    const bytes = await exported(design, "plate-stl");
    const view = new DataView(bytes.buffer, bytes.byteOffset);
    const count = view.getUint32(80, true);
    expect(bytes.length).toBe(84 + 50 * count);
    const edges = new Map<string, number>();
    let volume = 0;
    for (let nth = 0; nth < count; nth++) {
      const corner = (i: number) =>
        [0, 1, 2].map((axis) => view.getFloat32(84 + nth * 50 + 12 + i * 12 + axis * 4, true));
      const [a, b, c] = [corner(0), corner(1), corner(2)];
      volume +=
        (a[0] * (b[1] * c[2] - b[2] * c[1]) - a[1] * (b[0] * c[2] - b[2] * c[0]) + a[2] * (b[0] * c[1] - b[1] * c[0])) /
        6;
      [a, b, c].forEach((p, i) => {
        const key = `${p.join()} ${[a, b, c][(i + 1) % 3].join()}`;
        edges.set(key, (edges.get(key) ?? 0) + 1);
      });
    }
    // Every edge is run through once in each direction: no hole, no flap, one orientation.
    const open = [...edges].filter(
      ([key, times]) => times !== 1 || edges.get(key.split(" ").reverse().join(" ")) !== 1,
    );
    expect(open).toEqual([]);
    // A printed body has no kerf; the drawing for the cutter leaves its width out of every opening.
    const uncut = { ...design, making: { ...design.making, kerfMm: 0 } };
    const dxf = new DxfParser().parseSync(text(await exported(uncut, "plate-dxf")))!;
    const sum = (layer: string) =>
      (dxf.entities as unknown as Poly[])
        .filter((entity) => entity.layer === layer && entity.type === "POLYLINE")
        .reduce((total, { vertices }) => total + area(vertices), 0);
    const { reinforceMm } = design.making;
    const top = (sum("PLATE_EDGE") - sum("PLATE_OPENINGS")) * design.boards[0].plate.thicknessMm;
    const beneath = reinforceMm > 0 ? (sum("REINFORCEMENT_EDGE") - sum("REINFORCEMENT_OPENINGS")) * reinforceMm : 0;
    expect(volume / (top + beneath)).toBeCloseTo(1, 3);
  });
});

describe("the SVG, drawn by Chromium", () => {
  it("has the size in pixels that its millimetres come to, and its openings where the layout says", async () => {
    const design = demoDesigns[0];
    const browser = await chromium.launch({
      executablePath: "/usr/bin/chromium",
      args: ["--no-sandbox", "--disable-gpu"],
    });
    try {
      const page = await browser.newPage();
      await page.setContent(`<body style="margin:0">${text(await exported(design, "plate-svg"))}</body>`);
      const measured = await page.evaluate(() => {
        const svg = document.querySelector("svg")!;
        const edge = document.querySelector("#PLATE_EDGE path")!.getBoundingClientRect();
        const openings = [...document.querySelectorAll("#PLATE_OPENINGS path")].map((path) =>
          path.getBoundingClientRect(),
        );
        const frame = svg.getBoundingClientRect();
        const rect = (r: DOMRect) => ({ x: r.x - frame.x, y: r.y - frame.y, width: r.width, height: r.height });
        return {
          frame: { width: frame.width, height: frame.height },
          edge: rect(edge),
          openings: openings.map(rect),
          viewBox: svg.getAttribute("viewBox")!,
        };
      });
      const px = 96 / 25.4; // CSS Values: 1 in = 96 px
      const [minX, minY, width, height] = measured.viewBox.split(" ").map(Number);
      expect(measured.frame.width).toBeCloseTo(width * px, 1);
      expect(measured.frame.height).toBeCloseTo(height * px, 1);
      const expected = openingsOf(design);
      expect(measured.openings).toHaveLength(expected.length);
      for (const frame of expected) {
        const at = { x: (frame.minXMm - minX) * px, y: (frame.minYMm - minY) * px };
        const near = measured.openings.find((o) => Math.hypot(o.x - at.x, o.y - at.y) < 1);
        expect(near?.width).toBeCloseTo((frame.maxXMm - frame.minXMm) * px, 0);
      }
    } finally {
      await browser.close();
    }
  }, 60_000);
});

describe("bending", () => {
  // Gere and Timoshenko, Mechanics of Materials: simple beam, load in the middle, δ = P L³ / (48 E I). Steel, 200 GPa,
  // L = 1000 mm, 20 × 10 mm flat: I = 1666.67 mm⁴, P = 100 N → 100·10⁹ / (48 · 200,000 · 1666.67) = 6.25 mm.
  it("of a beam is the handbook's", () => expect(beamDeflectionMm(100, 1000, 20, 10, 200_000)).toBeCloseTo(6.25, 3));

  // Timoshenko and Woinowsky-Krieger, table 23: square plate, w = 0.01160 P a² / D. Steel 200 GPa, ν = 0.3, a = 300 mm,
  // t = 3 mm: D = 200,000 · 27 / (12 · 0.91) = 494,505 N·mm; P = 50 N → 0.0116 · 50 · 90,000 / 494,505 = 0.10556 mm.
  it("of a square plate is the handbook's", () =>
    expect(plateDeflectionMm(50, 300, 300, 3, 200_000)).toBeCloseTo(0.10556, 5));

  // The same table: ratio 2 has α = 0.01651, a very long plate 0.01695 (short side counts).
  it("of long plates follows the table", () => {
    const square = plateDeflectionMm(50, 300, 300, 3, 200_000);
    expect(plateDeflectionMm(50, 600, 300, 3, 200_000) / square).toBeCloseTo(0.01651 / 0.0116, 4);
    expect(plateDeflectionMm(50, 300, 6000, 3, 200_000) / square).toBeCloseTo(0.01695 / 0.0116, 4);
  });

  it("of a strip as wide as its span lies within a factor of two of the plate's (a plate carries on four sides)", () => {
    const ratio = beamDeflectionMm(50, 300, 300, 3, 200_000) / plateDeflectionMm(50, 300, 300, 3, 200_000);
    expect(ratio).toBeGreaterThan(1);
    expect(ratio).toBeLessThan(2.2);
  });
});

describe("sizes of the trade", () => {
  // Common practice: 0.75 inch a unit; openings 14.0 mm with a 1.5 mm plate for full-height switches.
  it("are in the catalogue", () => {
    expect(FULL_PITCH_MM).toBeCloseTo(0.75 * 25.4, 9);
    const full = partCatalogue.find(({ id }) => id === "switch-full")!;
    expect(full.opening).toMatchObject({ widthMm: 14, heightMm: 14 });
    expect(full.plateMm!.min).toBeLessThanOrEqual(1.5);
    expect(full.plateMm!.max).toBeGreaterThanOrEqual(1.5);
  });

  // Common practice: stems of a 2 u stabiliser are 23.9 mm apart, of a 6.25 u space bar 100 mm, of a 7 u one 114.3 mm.
  it.each([
    [2, 23.876],
    [2.25, 23.876],
    [2.75, 23.876],
    [6.25, 100],
    [7, 114.3],
  ])("put the stems of a %s u cap %s mm apart", (widthU, apart) =>
    expect(2 * stabiliserOf({ widthU, heightU: 1 })!.halfSpanMm).toBeCloseTo(apart, 2),
  );
});
