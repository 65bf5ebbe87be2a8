import DxfParser, { type IEntity } from "dxf-parser";
import { type Result, bad, good } from "../document/problem";
import { point } from "../geometry/point";
import type { Ring } from "../geometry/ring";
import { type DrawingIn, leftOpen } from "./drawingIn";

/** Units of the header variable $INSUNITS in mm; none given is taken as mm. */
const UNIT_MM: Record<number, number> = { 0: 1, 1: 25.4, 4: 1, 5: 10, 6: 1000 };
const ARC_STEPS = 64;

interface Vertex {
  x: number;
  y: number;
  bulge?: number;
}

/** A bulge is the tangent of a quarter of the arc's angle; chords stand for the arc. */
function bulged(a: Vertex, b: Vertex): [number, number][] {
  if (!a.bulge) return [[a.x, a.y]];
  const angle = 4 * Math.atan(a.bulge);
  const chord = Math.hypot(b.x - a.x, b.y - a.y);
  const radius = chord / (2 * Math.sin(angle / 2));
  const middle = { x: (a.x + b.x) / 2, y: (a.y + b.y) / 2 };
  const away = radius * Math.cos(angle / 2);
  const centre = { x: middle.x - ((b.y - a.y) / chord) * away, y: middle.y + ((b.x - a.x) / chord) * away };
  const from = Math.atan2(a.y - centre.y, a.x - centre.x);
  const steps = Math.max(2, Math.ceil((Math.abs(angle) / (2 * Math.PI)) * ARC_STEPS));
  return Array.from({ length: steps }, (_, step) => {
    const at = from + (angle * step) / steps;
    return [centre.x + Math.abs(radius) * Math.cos(at), centre.y + Math.abs(radius) * Math.sin(at)];
  });
}

const circleRing = (x: number, y: number, r: number): [number, number][] =>
  Array.from({ length: ARC_STEPS }, (_, step) => {
    const at = (2 * Math.PI * step) / ARC_STEPS;
    return [x + r * Math.cos(at), y + r * Math.sin(at)];
  });

interface AnyEntity extends IEntity {
  vertices?: Vertex[];
  shape?: boolean;
  center?: Vertex;
  radius?: number;
  startPoint?: Vertex;
  position?: Vertex;
  rotation?: number;
  text?: string;
}

function ringOf(entity: AnyEntity): [number, number][] | null {
  if (entity.type === "CIRCLE" && entity.center && entity.radius)
    return circleRing(entity.center.x, entity.center.y, entity.radius);
  const { vertices } = entity;
  if (!vertices || vertices.length < 2 || !/POLYLINE$/.test(entity.type)) return null;
  const [first, last] = [vertices[0], vertices[vertices.length - 1]];
  const repeats = vertices.length > 2 && Math.hypot(first.x - last.x, first.y - last.y) < 1e-6;
  if (!entity.shape && !repeats) return null;
  const corners = repeats ? vertices.slice(0, -1) : vertices;
  const ring = corners.flatMap((v, i) => bulged(v, corners[(i + 1) % corners.length]));
  return ring.length > 2 ? ring : null;
}

const unescaped = (text: string) =>
  text.replace(/\\U\+([0-9A-F]{4})/g, (_, hex: string) => String.fromCodePoint(parseInt(hex, 16)));

function parsed(text: string): ReturnType<DxfParser["parseSync"]> | string {
  try {
    return new DxfParser().parseSync(text);
  } catch (error) {
    return error instanceof Error ? error.message : String(error);
  }
}

function wordOf(entity: AnyEntity, unit: number): DrawingIn["texts"][number] | null {
  const at = entity.startPoint ?? entity.position;
  if (entity.text === undefined || !at) return null;
  return {
    xMm: at.x * unit,
    yMm: -at.y * unit,
    rotationDeg: -(entity.rotation ?? 0) || 0,
    text: unescaped(entity.text),
    layer: entity.layer,
  };
}

/** Reads closed lines and words of a drawing exchange file. */
export function readDxf(text: string): Result<DrawingIn> {
  const file = parsed(text);
  if (file === null || typeof file === "string")
    return bad({ path: "", message: `The file could not be read as DXF${file ? `: ${file}` : ""}.` });
  const unit = UNIT_MM[Number(file.header?.$INSUNITS ?? 0)] ?? 1;
  const drawing: DrawingIn = { rings: [], texts: [], problems: [] };
  let open = 0;
  for (const entity of file.entities as AnyEntity[]) {
    const ring = ringOf(entity);
    const word = wordOf(entity, unit);
    if (ring) drawing.rings.push({ ring: toRing(ring, unit), layer: entity.layer });
    else if (word) drawing.texts.push(word);
    else open += 1;
  }
  if (open > 0) drawing.problems.push({ line: 0, message: leftOpen(open) });
  return good(drawing);
}

const toRing = (corners: [number, number][], unit: number): Ring => corners.map(([x, y]) => point(x * unit, -y * unit));
