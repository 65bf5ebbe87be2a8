/** Reads a circuit drawing as an eye does: what touches is joined, what has the same name is the same net. */

export type Spot = [number, number];
export interface Stroke {
  cls: string;
  points: Spot[];
  /** Strokes of one part's symbol, or null. */
  part: string | null;
}
export interface Word {
  cls: string;
  text: string;
  at: Spot;
  anchor: string;
  left: number;
  right: number;
  top: number;
  bottom: number;
}
export interface ReadSheet {
  title: string;
  strokes: Stroke[];
  leads: { part: string; end: string; number: number; points: Spot[] }[];
  words: Word[];
}

const unescape = (text: string) =>
  text.replace(/&(amp|lt|gt|quot);/g, (_, name: string) => ({ amp: "&", lt: "<", gt: ">", quot: '"' })[name]!);

function attributes(tag: string): Record<string, string> {
  return Object.fromEntries([...tag.matchAll(/([\w-]+)="([^"]*)"/g)].map(([, name, value]) => [name, unescape(value)]));
}

function spots(data: string): Spot[] {
  const points = data
    .replace(/^M|Z$/g, "")
    .split("L")
    .map((pair) => pair.split(" ").map(Number) as Spot);
  return data.endsWith("Z") ? [...points, points[0]] : points;
}

function word(tag: string, text: string): Word {
  const own = attributes(tag);
  const [x, y, size, width] = [own.x, own.y, own["font-size"], own.textLength].map(Number);
  const left = x - (own["text-anchor"] === "middle" ? width / 2 : own["text-anchor"] === "end" ? width : 0);
  return {
    cls: own.class,
    text: unescape(text),
    at: [x, y],
    anchor: own["text-anchor"],
    left,
    right: left + width,
    top: y - 0.75 * size,
    bottom: y + 0.2 * size,
  };
}

const ROUND = 17;
const circleSpots = (x: number, y: number, r: number): Spot[] =>
  Array.from({ length: ROUND }, (_, nth): Spot => {
    const angle = (Math.PI * nth) / 8;
    return [x + r * Math.cos(angle), y + r * Math.sin(angle)];
  });

export function readSheets(svg: string): ReadSheet[] {
  return svg
    .split('<g class="sheet"')
    .slice(1)
    .map((part) => {
      const paths = [...part.matchAll(/<path [^>]*>/g)].map(([tag]) => attributes(tag));
      const circles = [...part.matchAll(/<circle [^>]*>/g)].map(([tag]) => attributes(tag));
      const isLead = (own: Record<string, string>) => own.class === "lead";
      return {
        title: unescape(/<title>([^<]*)</.exec(part)![1]),
        leads: paths.filter(isLead).map((own) => ({
          part: own["data-part"],
          end: own["data-end"],
          number: Number(own["data-number"]),
          points: spots(own.d),
        })),
        strokes: [
          ...paths.map((own) => ({ cls: own.class, points: spots(own.d), part: own["data-part"] ?? null })),
          ...circles
            .filter((own) => own.class !== "dot")
            .map((own) => ({
              cls: own.class,
              points: circleSpots(Number(own.cx), Number(own.cy), Number(own.r)),
              part: null,
            })),
        ],
        words: [...part.matchAll(/(<text [^>]*>)([^<]*)<\/text>/g)].map(([, tag, text]) => word(tag, text)),
      };
    });
}

class Joined {
  private readonly parent = new Map<string, string>();
  root(key: string): string {
    let own = key;
    while (this.parent.has(own)) own = this.parent.get(own)!;
    return own;
  }
  join(a: string, b: string) {
    const [from, to] = [this.root(a), this.root(b)];
    if (from !== to) this.parent.set(from, to);
  }
}

const near = (a: Spot, b: Spot) => Math.hypot(a[0] - b[0], a[1] - b[1]);

/** The wire's or lead's end that a label stands at. */
function endOf({ anchor, left, right, top, bottom, at }: Word, ends: Spot[]): Spot | null {
  const middle = (top + bottom) / 2;
  const beside: Record<string, Spot[]> = {
    start: [[left, middle]],
    end: [[right, middle]],
    middle: [
      [at[0], bottom],
      [at[0], top],
    ],
  };
  const close = ends
    .map((end) => ({ end, far: Math.min(...beside[anchor].map((spot) => near(spot, end))) }))
    .sort((a, b) => a.far - b.far);
  return close[0] && close[0].far < 2 ? close[0].end : null;
}

/** Nets of the drawing: by name, or without one; each with its "part number" ends in order. */
export function netsOf(sheets: ReadSheet[]): { name: string | null; pins: string[] }[] {
  const joined = new Joined();
  const pins: { key: string; pin: string }[] = [];
  const names: { key: string; name: string }[] = [];
  sheets.forEach(({ strokes, leads, words }, sheet) => {
    const key = ([x, y]: Spot) => `${sheet}: ${x.toFixed(2)} ${y.toFixed(2)}`;
    const outer = leads.map(({ points }) => points.at(-1)!);
    const wires = strokes.filter(({ cls }) => cls === "wire");
    for (const { points } of wires) points.forEach((spot) => joined.join(key(points[0]), key(spot)));
    leads.forEach(({ part, number }, nth) => pins.push({ key: key(outer[nth]), pin: `${part} ${number}` }));
    const ends = [...outer, ...wires.flatMap(({ points }) => [points[0], points.at(-1)!])];
    for (const label of words.filter(({ cls }) => cls === "net")) {
      const end = endOf(label, ends);
      if (!end) throw new Error(`the label ${label.text} on ${sheet} stands at no wire`);
      names.push({ key: key(end), name: label.text });
    }
    for (const { points } of strokes.filter(({ cls }) => cls === "ground"))
      if (ends.some((end) => near(end, points[0]) < 0.01)) names.push({ key: key(points[0]), name: "GND" });
  });
  for (const { key, name } of names) joined.join(key, `name ${name}`);
  const all = new Map<string, { name: string | null; pins: string[] }>();
  for (const { key, pin } of pins) {
    const root = joined.root(key);
    all.set(root, { name: null, pins: [...(all.get(root)?.pins ?? []), pin] });
  }
  for (const { key, name } of names) {
    const net = all.get(joined.root(key));
    if (net?.name && net.name !== name) throw new Error(`${net.name} and ${name} are joined`);
    if (net) net.name = name;
  }
  return [...all.values()].map(({ name, pins: own }) => ({ name, pins: own.sort() }));
}

type Segment = { a: Spot; b: Spot; of: number; cls: string };

const cross = (o: Spot, a: Spot, b: Spot) => (a[0] - o[0]) * (b[1] - o[1]) - (a[1] - o[1]) * (b[0] - o[0]);
const EPS = 1e-6;

const crossProperly = ({ a, b }: Segment, { a: c, b: d }: Segment): boolean =>
  cross(a, b, c) * cross(a, b, d) < -EPS && cross(c, d, a) * cross(c, d, b) < -EPS;

/** Two strokes that cross, or lie on one another, elsewhere than at an end of one of them. */
function collide({ a, b }: Segment, { a: c, b: d }: Segment): boolean {
  if (crossProperly({ a, b } as Segment, { a: c, b: d } as Segment)) return true;
  const [p, q] = [cross(a, b, c), cross(a, b, d)];
  if (Math.abs(p) > EPS || Math.abs(q) > EPS) return false;
  const axis = Math.abs(a[0] - b[0]) > Math.abs(a[1] - b[1]) ? 0 : 1;
  const [low, high] = [Math.min(a[axis], b[axis]), Math.max(a[axis], b[axis])];
  return Math.min(high, Math.max(c[axis], d[axis])) - Math.max(low, Math.min(c[axis], d[axis])) > 0.01;
}

function hitsBox({ a, b }: Segment, { left, right, top, bottom }: Word): boolean {
  let [from, to] = [0, 1];
  for (const [p, q] of [
    [a[0] - b[0], a[0] - left],
    [b[0] - a[0], right - a[0]],
    [a[1] - b[1], a[1] - top],
    [b[1] - a[1], bottom - a[1]],
  ]) {
    if (Math.abs(p) < EPS) {
      if (q < 0) return false;
    } else if (p < 0) from = Math.max(from, q / p);
    else to = Math.min(to, q / p);
  }
  return from < to;
}

/** Everything on a sheet that lies on something else. */
export function overlapsOf({ title, strokes, words }: ReadSheet): string[] {
  const segments = strokes.flatMap(({ points, cls }, of) =>
    points.slice(1).map((b, nth): Segment => ({ a: points[nth], b, of, cls })),
  );
  const found: string[] = [];
  words.forEach((one, nth) => {
    for (const other of words.slice(nth + 1))
      if (one.left < other.right && other.left < one.right && one.top < other.bottom && other.top < one.bottom)
        found.push(`${title}: ${one.text} on ${other.text}`);
    for (const segment of segments)
      if (hitsBox(segment, one)) found.push(`${title}: ${segment.cls} ${segment.a.join(" ")} through ${one.text}`);
  });
  // Leads end within the round of a transistor; nothing else crosses a symbol.
  const bodies = segments.filter(({ cls, of }) => cls === "symbol" && strokes[of].points.length !== ROUND);
  bodies.forEach((one, nth) => {
    for (const other of bodies.slice(nth + 1))
      if (one.of !== other.of && crossProperly(one, other))
        found.push(`${title}: symbol ${one.a.join(" ")} over symbol`);
  });
  const lines = segments.filter(({ cls }) => cls === "wire" || cls === "lead" || cls === "frame");
  lines.forEach((one, nth) => {
    for (const other of lines.slice(nth + 1))
      if (one.of !== other.of && collide(one, other))
        found.push(`${title}: ${one.cls} ${one.a.join(" ")} over ${other.cls}`);
    for (const other of segments)
      if (
        other.cls !== "wire" &&
        other.cls !== "lead" &&
        other.of !== one.of &&
        one.cls === "wire" &&
        collide(one, other)
      )
        found.push(`${title}: wire ${one.a.join(" ")} over ${other.cls}`);
  });
  return found;
}
