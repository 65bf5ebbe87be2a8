import { spawnSync } from "node:child_process";
import { mkdtempSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import DxfParser from "dxf-parser";
import { XMLParser } from "fast-xml-parser";
import { strFromU8, unzipSync } from "fflate";
import { describe, expect, it } from "vitest";
import { demoDesigns, modularDesigns, variantDesigns } from "@demo/index";
import { type CasePlan, casePlan } from "@/core/cases/casePlan";
import { type CasePiece, caseSolids } from "@/core/cases/caseSolids";
import type { Mesh } from "@/core/cases/mesh";
import { caseLayers } from "@/core/cases/layers";
import { lyingOnBed } from "@/core/cases/printPlace";
import { screwSizes, towerHole } from "@/core/cases/screwSizes";
import { type CaseSettings, usualCase, usualLayers } from "@/core/document/caseSettings";
import type { Design } from "@/core/document/schema";
import { addControl, changeControl } from "@/core/edits/controls";
import { setBoardWay } from "@/core/edits/build";
import { moveController } from "@/core/edits/pins";
import { artifactNamed } from "@/core/exports/registry";
import { trianglesOf } from "@/core/formats/caseMesh";
import { binaryStl } from "@/core/making/solid";
import { around, isIn, leastOf, mostOf, volumeOf } from "../support/meshes";

// Cases as solids, held against a program of Debian's that mends meshes, a reader of our own for the package they come in, and places asked one by one.

const all = [...demoDesigns, ...variantDesigns, ...modularDesigns];
const withCase = (design: Design, change: Partial<CaseSettings> = {}): Design => ({
  ...design,
  case: { ...usualCase, rimMm: 2, ...change },
});
const named = (id: string) => demoDesigns.find((design) => design.id === id)!;

/** Every board that gets a case, of every demo, in several ways of making it. */
const ways: [string, (design: Design) => Design][] = [
  ["as usual", (design) => withCase(design)],
  ["tilted, screws cut their thread", (design) => withCase(design, { tiltDeg: 6, towers: "self-cutting", rimMm: 0 })],
  ["front higher, bought standoffs", (design) => withCase(design, { tiltDeg: -4, towers: "bought", floorMm: 3 })],
  [
    "in pieces",
    (design) => ({
      ...withCase(design, { bedId: "small", rimMm: 5 }),
      making: { ...design.making, beds: [{ id: "small", name: "Small bed", widthMm: 120, heightMm: 130 }] },
    }),
  ],
];

interface Case {
  plan: CasePlan;
  pieces: CasePiece[];
}

async function casesOf(design: Design): Promise<Case[]> {
  const cases: Case[] = [];
  for (const board of design.boards) {
    const plan = casePlan(design, board);
    if (plan) cases.push({ plan, pieces: (await caseSolids(design, plan)).pieces });
  }
  return cases;
}

const folder = mkdtempSync(join(tmpdir(), "ovrin-case-"));

/** What the mesh mender says of a file: it counts parts, open edges, and the volume (Debian's admesh). */
function mended(stl: Uint8Array) {
  const file = join(folder, "piece.stl");
  writeFileSync(file, stl);
  const { stdout } = spawnSync("admesh", [file], { encoding: "utf8" });
  const number = (pattern: RegExp) => Number(pattern.exec(stdout)?.[1] ?? NaN);
  return {
    parts: number(/Number of parts\s*:\s*(\d+)/),
    volume: number(/Volume\s*:\s*([-\d.]+)/),
    open: number(/Total disconnected facets\s*:\s*(\d+)/),
    backwards: number(/Backwards edges\s*:\s*(\d+)/),
    turned: number(/Facets reversed\s*:\s*(\d+)/),
    added: number(/Facets added\s*:\s*(\d+)/),
  };
}

const trays = ({ pieces }: Case): Mesh[] => pieces.filter(({ isFoot }) => !isFoot).map(({ mesh }) => mesh);
const isClear = (meshes: Mesh[], p: [number, number, number]) => meshes.every((mesh) => !isIn(mesh, p));

describe.each(ways)("cases, %s,", (_, way) => {
  it.each(all.map((design): [string, Design] => [design.name, design]))(
    "of %s are closed, one body a piece",
    async (_name, design) => {
      for (const { pieces, plan } of await casesOf(way(design))) {
        expect(pieces.length).toBeGreaterThan(0);
        for (const piece of pieces) {
          const said = mended(binaryStl(trianglesOf(piece.mesh)));
          expect({ ...said, volume: 0 }).toEqual({ parts: 1, volume: 0, open: 0, backwards: 0, turned: 0, added: 0 });
          expect(Math.abs(said.volume / piece.volumeMm3 - 1)).toBeLessThan(0.001);
          expect(Math.abs(volumeOf(piece.mesh) / piece.volumeMm3 - 1)).toBeLessThan(0.001);
          // A piece is no splinter, and fits the bed that it was cut for.
          expect(piece.volumeMm3, `${plan.board.name} ${piece.name}`).toBeGreaterThan(500);
          expect(piece.fits, `${plan.board.name} ${piece.name} ${piece.sizeMm}`).toBe(true);
        }
      }
    },
  );

  it.each(all.map((design): [string, Design] => [design.name, design]))(
    "of %s leave every body and the plate their air, on the way in too",
    async (_name, design) => {
      for (const one of await casesOf(way(design))) {
        const { plan } = one;
        const meshes = trays(one);
        const top = Math.max(plan.rimMm, plan.seatMm) + 1;
        for (const { outline, title, bottomMm, topMm } of plan.stack.bodies) {
          if (outline === null) continue;
          const from = Math.max(bottomMm, plan.floorMm) + 0.01;
          for (const [x, y] of around(outline, 0.45))
            for (const z of [from, (bottomMm + topMm) / 2, topMm, top])
              if (z >= from) expect(isClear(meshes, [x, y, z]), `${title} at ${x}, ${y}, ${z}`).toBe(true);
        }
        // The plate with half of its air, from where it rests to the front.
        for (const [x, y] of around({ core: plan.edge, radiusMm: 0 }, plan.settings.clearMm * 0.5))
          for (const z of [plan.seatMm + 0.05, -0.05, top]) expect(isClear(meshes, [x, y, z])).toBe(true);
      }
    },
    300_000,
  );
});

/** A handset with everything under its plate that a case must heed: module, standoffs in its corners, a plug at its edge. */
function fullHandset(towers: CaseSettings["towers"] = "inserts"): Design {
  const kestrel = withCase(named("kestrel"), { tiltDeg: 5, towers });
  const { controllers, boards } = kestrel;
  const under = moveController(kestrel, { ...controllers[0].placement, side: "under" });
  const places = [
    [-12, -40],
    [70, -40],
    [-12, 118],
    [70, 118],
  ];
  return places.reduce((design, [xMm, yMm], nth) => {
    const added = addControl(design, "fixing", `h${nth}`, { xMm, yMm, rotationDeg: 0, boardId: boards[0].id });
    return changeControl(added, `h${nth}`, { label: `H${nth}`, partId: nth < 2 ? "standoff-m2" : "standoff-m3" });
  }, under);
}

describe("a tray", () => {
  it.each(["inserts", "self-cutting", "bought"] as const)("has holes where its screws go, %s", async (towers) => {
    const [one] = await casesOf(fullHandset(towers));
    const { plan } = one;
    expect(plan.towers.length).toBe(4);
    for (const { at, size, holeMm, outerMm, deepMm, screwMm } of plan.towers) {
      const z = plan.seatMm - 0.3;
      const ring = (radius: number) =>
        Array.from({ length: 12 }, (_, nth): [number, number] => [
          at.xMm + radius * Math.cos((nth * Math.PI) / 6),
          -at.yMm + radius * Math.sin((nth * Math.PI) / 6),
        ]);
      for (const [x, y] of ring(holeMm / 2 - 0.05)) expect(isClear(trays(one), [x, y, z])).toBe(true);
      const floor = (plan.floorMm + plan.backMm) / 2;
      if (towers === "bought") {
        for (const [x, y] of ring(size.clearanceMm / 2 - 0.05)) expect(isClear(trays(one), [x, y, floor])).toBe(true);
        continue;
      }
      // A tower's plastic around the hole, as far as it goes, and a floor beneath it.
      for (const [x, y] of [...ring(holeMm / 2 + 0.1), ...ring(outerMm / 2 - 0.1)])
        expect(isClear(trays(one), [x, y, z])).toBe(false);
      expect(isClear(trays(one), [at.xMm, -at.yMm, plan.seatMm - deepMm + 0.05])).toBe(true);
      expect(isClear(trays(one), [at.xMm, -at.yMm, plan.backMm + 0.4])).toBe(false);
      // The screw does not touch the ground of its hole.
      expect(screwMm! + plan.seatMm).toBeLessThan(deepMm);
    }
  });

  it("lets the plug through to its module", async () => {
    const [one] = await casesOf(fullHandset());
    const [opening] = one.plan.openings;
    for (let along = 0; along <= 20; along += 0.5)
      for (const across of [-opening.widthMm / 2 + 0.1, 0, opening.widthMm / 2 - 0.1])
        for (const z of [opening.fromMm + 0.1, (opening.fromMm + opening.toMm) / 2, opening.toMm - 0.1]) {
          const x = opening.at.xMm + opening.outward.xMm * along - opening.outward.yMm * across;
          const y = opening.at.yMm + opening.outward.yMm * along + opening.outward.xMm * across;
          expect(isClear(trays(one), [x, -y, z])).toBe(true);
        }
  });

  it("stands on one plane with its feet, at its angle", async () => {
    for (const tiltDeg of [7, -5]) {
      const [{ pieces, plan }] = await casesOf({ ...fullHandset(), case: { ...usualCase, tiltDeg } });
      expect(plan.turnDeg).toBe(0);
      const tilt = (tiltDeg * Math.PI) / 180;
      // Laid down on the desk by its angle, the lowest places of all pieces lie on it.
      const lowest = pieces.map(({ mesh: { corners } }) => {
        let least = Infinity;
        for (let at = 0; at < corners.length; at += 3)
          least = Math.min(least, corners[at + 1] * Math.sin(tilt) + corners[at + 2] * Math.cos(tilt));
        return least;
      });
      expect(pieces.map(({ name }) => name)).toEqual(["tray", "left foot", "right foot"]);
      for (const height of lowest) expect(height).toBeCloseTo(lowest[0], 2);
    }
  });

  it("in pieces is the whole one but for its joints, and no piece has another's room", async () => {
    const small = ways[3][1](named("tern"));
    const [cut] = await casesOf(small);
    const [whole] = await casesOf({
      ...small,
      making: { ...small.making, beds: [{ id: "b", name: "b", widthMm: 900, heightMm: 900 }] },
    });
    expect(whole.pieces.length).toBe(1);
    expect(cut.pieces.length).toBeGreaterThan(3);
    const sum = cut.pieces.reduce((total, { volumeMm3 }) => total + volumeMm3, 0);
    expect(sum / whole.pieces[0].volumeMm3).toBeGreaterThan(0.985);
    expect(sum).toBeLessThan(whole.pieces[0].volumeMm3);
    const floor = (cut.plan.floorMm + cut.plan.backMm) / 2;
    const meshes = trays(cut);
    let within = 0;
    for (let x = leastOf(whole.pieces[0].mesh, 0); x < mostOf(whole.pieces[0].mesh, 0); x += 3.37)
      for (let y = leastOf(whole.pieces[0].mesh, 1); y < mostOf(whole.pieces[0].mesh, 1); y += 3.37) {
        const owners = meshes.filter((mesh) => isIn(mesh, [x, y, floor])).length;
        expect(owners).toBeLessThanOrEqual(1);
        within += owners;
      }
    expect(within).toBeGreaterThan(1000);
  });

  it("carries a made board's screws past it, and its height is counted with it", async () => {
    const made = setBoardWay(fullHandset(), "panel", { way: "made-board" });
    const [hand] = await casesOf(fullHandset());
    const [one] = await casesOf(made);
    expect(one.plan.seatMm).toBe(hand.plan.seatMm);
    expect(one.pieces.every(({ fits }) => fits)).toBe(true);
    const board = one.plan.stack.bodies.find(({ id }) => id === "board")!;
    expect(one.plan.floorMm).toBeLessThan(board.bottomMm);
  });
});

describe("case files", () => {
  const made = async (design: Design, id: string) => {
    const file = await artifactNamed(id)!.make(design);
    if (!file.ok) throw new Error(JSON.stringify(file.problems));
    return file.value;
  };

  interface Object3mf {
    "@_id": string;
    "@_name": string;
    mesh: {
      vertices: { vertex: { "@_x": string; "@_y": string; "@_z": string }[] };
      triangles: { triangle: { "@_v1": string; "@_v2": string; "@_v3": string }[] };
    };
  }

  it("3MF holds each body by name, apart from the others, on the bed's plane (3MF core specification 1.3, sections 3 and 4)", async () => {
    const design = withCase(fullHandset(), { tiltDeg: 5 });
    const { bytes, mediaType, fileName } = await made(design, "case-3mf");
    expect([mediaType, fileName]).toEqual(["model/3mf", "kestrel-case.3mf"]);
    const files = unzipSync(bytes);
    expect(Object.keys(files).sort()).toEqual(["3D/3dmodel.model", "[Content_Types].xml", "_rels/.rels"]);
    expect(strFromU8(files["_rels/.rels"])).toContain('Target="/3D/3dmodel.model"');
    const parser = new XMLParser({ ignoreAttributes: false, isArray: (name) => name === "object" || name === "item" });
    const { model } = parser.parse(strFromU8(files["3D/3dmodel.model"])) as {
      model: {
        "@_unit": string;
        resources: { object: Object3mf[] };
        build: { item: { "@_objectid": string; "@_transform": string }[] };
      };
    };
    expect(model["@_unit"]).toBe("millimeter");
    const [{ pieces }] = await casesOf(design);
    expect(model.resources.object.map((one) => one["@_name"])).toEqual(pieces.map(({ name }) => name));
    let left = -Infinity;
    model.resources.object.forEach(({ mesh, "@_id": id }, nth) => {
      const read: Mesh = {
        corners: Float64Array.from(
          mesh.vertices.vertex.flatMap((v) => [Number(v["@_x"]), Number(v["@_y"]), Number(v["@_z"])]),
        ),
        triangles: Uint32Array.from(
          mesh.triangles.triangle.flatMap((t) => [Number(t["@_v1"]), Number(t["@_v2"]), Number(t["@_v3"])]),
        ),
      };
      expect(Math.abs(volumeOf(read) / pieces[nth].volumeMm3 - 1)).toBeLessThan(0.001);
      expect(leastOf(read, 2)).toBeCloseTo(0, 6);
      // Every edge is used once in each direction: the mesh is closed.
      const edges = new Set<string>();
      for (let at = 0; at < read.triangles.length; at += 3)
        for (const [a, b] of [
          [0, 1],
          [1, 2],
          [2, 0],
        ]) {
          const edge = `${read.triangles[at + a]} ${read.triangles[at + b]}`;
          expect(edges.has(edge)).toBe(false);
          edges.add(edge);
        }
      for (const edge of edges) expect(edges.has(edge.split(" ").reverse().join(" "))).toBe(true);
      const item = model.build.item.find((one) => one["@_objectid"] === id)!;
      const shift = Number(item["@_transform"].split(" ")[9]);
      expect(shift + leastOf(read, 0)).toBeGreaterThan(left);
      left = shift + mostOf(read, 0);
    });
  });

  it("STL is one body, or an archive of one a piece, lying as it is printed", async () => {
    const flat = await made(withCase(named("kestrel"), { tiltDeg: 0 }), "case-stl");
    expect(flat.fileName).toBe("kestrel-case.stl");
    expect(mended(flat.bytes).parts).toBe(1);
    const tilted = await made(withCase(named("loom-64"), { tiltDeg: 6 }), "case-stl");
    const files = unzipSync(tilted.bytes);
    expect(Object.keys(files)).toEqual([
      "left-half-tray.stl",
      "left-half-left-foot.stl",
      "left-half-right-foot.stl",
      "right-half-tray.stl",
      "right-half-left-foot.stl",
      "right-half-right-foot.stl",
    ]);
    for (const bytes of Object.values(files)) expect(mended(bytes)).toMatchObject({ parts: 1, open: 0 });
  });

  it("an archive loses no piece where boards have one name, or one that is made up of another's", async () => {
    const loom = withCase(named("loom-64"), { tiltDeg: 0 });
    const files = async (names: string[]) => {
      const boards = loom.boards.map((board, nth) => ({ ...board, name: names[nth] }));
      return Object.keys(unzipSync((await made({ ...loom, boards }, "case-stl")).bytes));
    };
    expect(await files(["Half", "Half"])).toEqual(["half-tray.stl", "half-tray-2.stl"]);
    expect(await files(["__proto__", "constructor"])).toHaveLength(2);
  });

  it("a foot is printed on its flat side", async () => {
    const design = withCase(named("kestrel"), { tiltDeg: 6 });
    const [{ pieces }] = await casesOf(design);
    const lying = lyingOnBed(pieces[1], { id: "b", name: "b", widthMm: 200, heightMm: 200 });
    const onBed = Array.from(lying.corners).filter((z, at) => at % 3 === 2 && z < 0.001).length;
    expect(onBed).toBe(4);
    expect(volumeOf(lying)).toBeCloseTo(pieces[1].volumeMm3, 1);
  });

  it("DXF has each layer as often as it is stacked, within its sheet, with the area that is told", async () => {
    for (const design of [named("kestrel"), named("tern"), named("glasshouse")]) {
      // Without a kerf lines lie where the material ends.
      const cut: Design = { ...design, case: usualLayers, making: { ...design.making, kerfMm: 0 } };
      const dxf = new DxfParser().parseSync(new TextDecoder().decode((await made(cut, "case-dxf")).bytes))!;
      const plan = casePlan(cut, cut.boards[0])!;
      const layers = await caseLayers(cut, plan);
      const area = (v: { x: number; y: number }[]) =>
        Math.abs(v.reduce((sum, p, i) => sum + p.x * v[(i + 1) % v.length].y - v[(i + 1) % v.length].x * p.y, 0)) / 2;
      for (const shape of layers.shapes) {
        const lines = dxf.entities.filter(({ layer }) => layer === shape.name) as unknown as {
          vertices: { x: number; y: number }[];
        }[];
        expect(lines.length).toBe(shape.rings.length * shape.count);
        // A sheet's outline is by far its largest line; what is cut out of it is subtracted.
        const own = lines.slice(0, shape.rings.length).map(({ vertices }) => area(vertices));
        const outer = Math.max(...own);
        const left = 2 * outer - own.reduce((sum, one) => sum + one, 0);
        if (shape.bodies === 1) expect(left / shape.areaMm2).toBeCloseTo(1, 3);
      }
      // The layers together are as high as the tray they stand for.
      const count = layers.shapes.reduce((sum, { count: times }) => sum + times, 0);
      expect(count * 3).toBeGreaterThanOrEqual(plan.rimMm - plan.floorMm + 3 - 1e-9);
      expect(count * 3).toBeLessThan(plan.rimMm - plan.floorMm + 6);
    }
  });
});

describe("a cutter's kerf", () => {
  it("makes edges larger and openings smaller by half of it, all round", async () => {
    const cut = (kerfMm: number): Design => ({
      ...named("kestrel"),
      case: usualLayers,
      making: { ...named("kestrel").making, kerfMm },
    });
    const layers = async (design: Design) => caseLayers(design, casePlan(design, design.boards[0])!);
    const [none, wide] = [await layers(cut(0)), await layers(cut(0.4))];
    expect(wide.shapes[0].widthMm - none.shapes[0].widthMm).toBeCloseTo(0.4, 2);
    const across = (ring: { xMm: number }[]) =>
      Math.max(...ring.map(({ xMm }) => xMm)) - Math.min(...ring.map(({ xMm }) => xMm));
    const least = (one: typeof none) => Math.min(...one.shapes[0].rings.map(across));
    // The screws' holes: 3.4 mm, a medium fit for M3 (ISO 273).
    expect(least(none)).toBeCloseTo(3.4, 1);
    expect(least(none) - least(wide)).toBeCloseTo(0.4, 1);
  });
});

describe("screws in a case", () => {
  it("go through holes of the medium fit (ISO 273)", () => {
    expect(screwSizes.map(({ name, clearanceMm }) => [name, clearanceMm])).toEqual([
      ["M2", 2.4],
      ["M2.5", 2.9],
      ["M3", 3.4],
    ]);
  });

  it("hold in plastic over 2 to 3 diameters, in holes of 0.8 to 0.9 of theirs (common practice)", () => {
    for (const size of screwSizes) {
      const { holeMm, biteMm } = towerHole("self-cutting", size);
      expect(holeMm / size.acrossMm).toBeGreaterThanOrEqual(0.8);
      expect(holeMm / size.acrossMm).toBeLessThanOrEqual(0.9);
      expect(biteMm / size.acrossMm).toBeGreaterThanOrEqual(2);
      expect(biteMm / size.acrossMm).toBeLessThanOrEqual(3);
    }
  });
});
