import { XMLParser, XMLValidator } from "fast-xml-parser";
import svgpath from "svgpath";
import { type Result, bad, good } from "../document/problem";
import { point } from "../geometry/point";
import type { Ring } from "../geometry/ring";
import { type DrawingIn, leftOpen } from "./drawingIn";

/** Lengths in mm; a pixel is a 96th of an inch (CSS Values). */
const UNIT_MM: Record<string, number> = { mm: 1, cm: 10, in: 25.4, pt: 25.4 / 72, pc: 25.4 / 6, px: 25.4 / 96 };
const CURVE_STEPS = 24;

type Node = Record<string, unknown> & { ":@"?: Record<string, string> };

const num = (value: string | undefined, otherwise = 0) => (value === undefined ? otherwise : parseFloat(value));

/** How many mm a user unit is: from width and viewBox when a width is given in a real unit, else 1. */
function userUnitMm(attributes: Record<string, string>): number {
  const width = /^\s*([\d.]+)\s*([a-z]+)\s*$/i.exec(attributes.width ?? "");
  const box = (attributes.viewBox ?? "")
    .trim()
    .split(/[\s,]+/)
    .map(Number);
  if (!width || !UNIT_MM[width[2].toLowerCase()]) return 1;
  const mm = Number(width[1]) * UNIT_MM[width[2].toLowerCase()];
  return box.length === 4 && box[2] > 0 ? mm / box[2] : UNIT_MM[width[2].toLowerCase()];
}

const roundRect = (x: number, y: number, w: number, h: number, r: number) =>
  r > 0
    ? `M${x + r} ${y}H${x + w - r}A${r} ${r} 0 0 1 ${x + w} ${y + r}V${y + h - r}A${r} ${r} 0 0 1 ${x + w - r} ${y + h}H${x + r}A${r} ${r} 0 0 1 ${x} ${y + h - r}V${y + r}A${r} ${r} 0 0 1 ${x + r} ${y}Z`
    : `M${x} ${y}H${x + w}V${y + h}H${x}Z`;

const ellipse = (cx: number, cy: number, rx: number, ry: number) =>
  `M${cx - rx} ${cy}A${rx} ${ry} 0 1 0 ${cx + rx} ${cy}A${rx} ${ry} 0 1 0 ${cx - rx} ${cy}Z`;

/** A basic shape as path data; null for what encloses nothing. */
function dataOf(tag: string, a: Record<string, string>): string | null {
  if (tag === "path") return a.d ?? null;
  if (tag === "rect") return roundRect(num(a.x), num(a.y), num(a.width), num(a.height), num(a.rx ?? a.ry));
  if (tag === "circle") return ellipse(num(a.cx), num(a.cy), num(a.r), num(a.r));
  if (tag === "ellipse") return ellipse(num(a.cx), num(a.cy), num(a.rx), num(a.ry));
  if (tag === "polygon" && a.points) return `M${a.points.trim()}Z`;
  return null;
}

const at = (p0: number, p1: number, p2: number, p3: number, t: number) =>
  (1 - t) ** 3 * p0 + 3 * (1 - t) ** 2 * t * p1 + 3 * (1 - t) * t ** 2 * p2 + t ** 3 * p3;

/** Closed pieces of a path as rings, in user units after the given transforms. */
function ringsOf(data: string, transforms: string[]): { rings: Ring[]; open: number } {
  // The innermost transform is applied first.
  const path = [...transforms]
    .reverse()
    .reduce((p, t) => p.transform(t), svgpath(data).abs().unshort())
    .unarc()
    .abs();
  const rings: Ring[] = [];
  let open = 0;
  let ring: Ring = [];
  const close = (isClosed: boolean) => {
    const first = ring[0];
    const last = ring[ring.length - 1];
    const joins = ring.length > 3 && Math.hypot(first.xMm - last.xMm, first.yMm - last.yMm) < 1e-6;
    if (joins) ring.pop();
    if ((isClosed || joins) && ring.length > 2) rings.push(ring);
    else if (ring.length > 1) open += 1;
    ring = [];
  };
  path.iterate((segment, _, x, y) => {
    const [command, ...p] = segment as [string, ...number[]];
    if (command === "M") {
      close(false);
      ring.push(point(p[0], p[1]));
    } else if (command === "Z" || command === "z") close(true);
    else if (command === "H") ring.push(point(p[0], y));
    else if (command === "V") ring.push(point(x, p[0]));
    else if (command === "C")
      for (let step = 1; step <= CURVE_STEPS; step++) {
        const t = step / CURVE_STEPS;
        ring.push(point(at(x, p[0], p[2], p[4], t), at(y, p[1], p[3], p[5], t)));
      }
    else if (command === "Q")
      for (let step = 1; step <= CURVE_STEPS; step++) {
        const t = step / CURVE_STEPS;
        const q = (a: number, b: number, c: number) => (1 - t) ** 2 * a + 2 * (1 - t) * t * b + t ** 2 * c;
        ring.push(point(q(x, p[0], p[2]), q(y, p[1], p[3])));
      }
    else ring.push(point(p[p.length - 2], p[p.length - 1]));
  });
  close(false);
  return { rings, open };
}

const HIDDEN = new Set(["defs", "symbol", "clipPath", "mask", "pattern", "marker"]);

class Reader {
  readonly drawing: DrawingIn = { rings: [], texts: [], problems: [] };
  open = 0;

  constructor(private readonly unitMm: number) {}

  read(nodes: Node[], transforms: string[], layer: string): void {
    for (const node of nodes) {
      const tag = Object.keys(node).find((key) => key !== ":@" && key !== "#text");
      if (!tag || HIDDEN.has(tag)) continue;
      const attributes = node[":@"] ?? {};
      const own = attributes.transform ? [...transforms, attributes.transform] : transforms;
      const children = node[tag] as Node[];
      if (tag === "g" || tag === "svg" || tag === "a")
        this.read(children, own, tag === "g" ? (attributes.id ?? layer) : layer);
      else if (tag === "text") this.readText(attributes, children, own, layer);
      else this.readShape(dataOf(tag, attributes), own, layer);
    }
  }

  private readShape(data: string | null, transforms: string[], layer: string) {
    if (data === null) return;
    const { rings, open } = ringsOf(data, transforms);
    this.open += open;
    for (const ring of rings) this.drawing.rings.push({ ring: ring.map((p) => this.mm(p.xMm, p.yMm)), layer });
  }

  /** A word's place and turn are seen from where two points of its baseline come to lie. */
  private readText(attributes: Record<string, string>, children: Node[], transforms: string[], layer: string) {
    const text = children.map((child) => String(child["#text"] ?? "")).join("");
    const [x, y] = [num(attributes.x), num(attributes.y)];
    const line = [...transforms]
      .reverse()
      .reduce((p, t) => p.transform(t), svgpath(`M${x} ${y}L${x + 1} ${y}`))
      .abs();
    const points: [number, number][] = [];
    line.iterate((segment) => void points.push([Number(segment[1]), Number(segment[2])]));
    const from = this.mm(...points[0]);
    const rotationDeg = (Math.atan2(points[1][1] - points[0][1], points[1][0] - points[0][0]) * 180) / Math.PI;
    this.drawing.texts.push({ ...from, rotationDeg, text, layer });
  }

  private mm(x: number, y: number) {
    return point(x * this.unitMm, y * this.unitMm);
  }
}

/** Reads closed outlines and words of an SVG drawing; `unitMm` overrides what the file says of its scale. */
export function readSvg(text: string, unitMm?: number): Result<DrawingIn> {
  const valid = XMLValidator.validate(text);
  if (valid !== true)
    return bad({ path: `line ${valid.err.line}`, message: `The file is not sound XML: ${valid.err.msg}` });
  const parser = new XMLParser({
    preserveOrder: true,
    ignoreAttributes: false,
    attributeNamePrefix: "",
    trimValues: false,
    parseTagValue: false,
  });
  const nodes = parser.parse(text) as Node[];
  const root = nodes.find((node) => "svg" in node);
  if (!root) return bad({ path: "", message: "The file holds no SVG drawing." });
  const reader = new Reader(unitMm ?? userUnitMm(root[":@"] ?? {}));
  reader.read([root], [], "");
  const { drawing, open } = reader;
  if (open > 0) drawing.problems.push({ line: 0, message: leftOpen(open) });
  return good(drawing);
}
