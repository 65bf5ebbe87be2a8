/** A body's corners (x, y, z each) and triangles, as the cases have them. */
interface Body {
  corners: ArrayLike<number>;
  triangles: ArrayLike<number>;
}

export interface Sight {
  /** Turned about the upright axis, and looked down at from above, in degrees. */
  turnDeg: number;
  tiltDeg: number;
}

interface Picture {
  width: number;
  height: number;
  /** Depth towards the eye; -Infinity where nothing is. */
  depth: Float32Array;
  /** Brightness of the face, 0 to 1. */
  light: Float32Array;
}

type Triple = [number, number, number];

/** Where the light comes from, as the eye sees it: from the upper left, over the shoulder. */
const LIGHT: Triple = [-0.4, 0.62, 0.68];

/** From the device's axes to the eye's: x to the right, y up, z towards the eye. */
function seenFrom({ turnDeg, tiltDeg }: Sight): (x: number, y: number, z: number) => Triple {
  const [turn, tilt] = [(turnDeg * Math.PI) / 180, (tiltDeg * Math.PI) / 180];
  const [ct, st, ce, se] = [Math.cos(turn), Math.sin(turn), Math.cos(tilt), Math.sin(tilt)];
  return (x, y, z) => {
    const across = x * ct - y * st;
    const away = x * st + y * ct;
    return [across, away * se + z * ce, z * se - away * ce];
  };
}

/** The corners as the eye sees them, scaled and centred to fill the picture. */
function placed(bodies: Body[], sight: Sight, width: number, height: number): Float64Array[] {
  const see = seenFrom(sight);
  const seen = bodies.map(({ corners }) => {
    const out = new Float64Array(corners.length);
    for (let at = 0; at < corners.length; at += 3) out.set(see(corners[at], corners[at + 1], corners[at + 2]), at);
    return out;
  });
  const [low, high] = [
    [Infinity, Infinity],
    [-Infinity, -Infinity],
  ];
  for (const body of seen)
    for (let at = 0; at < body.length; at += 3)
      for (const axis of [0, 1]) {
        low[axis] = Math.min(low[axis], body[at + axis]);
        high[axis] = Math.max(high[axis], body[at + axis]);
      }
  const scale = 0.92 * Math.min(width / (high[0] - low[0] || 1), height / (high[1] - low[1] || 1));
  for (const body of seen)
    for (let at = 0; at < body.length; at += 3) {
      body[at] = width / 2 + (body[at] - (low[0] + high[0]) / 2) * scale;
      body[at + 1] = height / 2 - (body[at + 1] - (low[1] + high[1]) / 2) * scale;
      body[at + 2] *= scale;
    }
  return seen;
}

/** How bright a face is by its turn to the light; a face seen from behind is left out. */
function lightOf(a: Triple, b: Triple, c: Triple): number | null {
  const [ux, uy, uz, vx, vy, vz] = [b[0] - a[0], a[1] - b[1], b[2] - a[2], c[0] - a[0], a[1] - c[1], c[2] - a[2]];
  const n: Triple = [uy * vz - uz * vy, uz * vx - ux * vz, ux * vy - uy * vx];
  const length = Math.hypot(...n);
  if (length === 0 || n[2] <= 0) return null;
  const facing = (n[0] * LIGHT[0] + n[1] * LIGHT[1] + n[2] * LIGHT[2]) / length;
  return 0.32 + 0.68 * Math.max(0, facing);
}

/** Fills one triangle into the picture where nothing nearer is. */
function fill({ width, height, depth, light }: Picture, a: Triple, b: Triple, c: Triple): void {
  const bright = lightOf(a, b, c);
  if (bright === null) return;
  const area = (b[0] - a[0]) * (c[1] - a[1]) - (b[1] - a[1]) * (c[0] - a[0]);
  const from = (axis: 0 | 1) => Math.max(0, Math.floor(Math.min(a[axis], b[axis], c[axis])));
  const [toX, toY] = [
    Math.min(width - 1, Math.ceil(Math.max(a[0], b[0], c[0]))),
    Math.min(height - 1, Math.ceil(Math.max(a[1], b[1], c[1]))),
  ];
  for (let y = from(1); y <= toY; y++)
    for (let x = from(0); x <= toX; x++) {
      const [px, py] = [x + 0.5, y + 0.5];
      const wa = ((b[0] - px) * (c[1] - py) - (b[1] - py) * (c[0] - px)) / area;
      const wb = ((c[0] - px) * (a[1] - py) - (c[1] - py) * (a[0] - px)) / area;
      const wc = 1 - wa - wb;
      if (wa < -1e-4 || wb < -1e-4 || wc < -1e-4) continue;
      const z = wa * a[2] + wb * b[2] + wc * c[2];
      if (z <= depth[y * width + x]) continue;
      depth[y * width + x] = z;
      light[y * width + x] = bright;
    }
}

/**
 * Bodies as they look from a side, parallel, each point lit by its face, hidden ones behind nearer ones. Drawn by the processor: some thousand triangles
 * need no graphics chip, and the picture is the same everywhere.
 */
export function solidPicture(bodies: Body[], sight: Sight, width: number, height: number): Picture {
  const picture: Picture = {
    width,
    height,
    depth: new Float32Array(width * height).fill(-Infinity),
    light: new Float32Array(width * height),
  };
  const seen = placed(bodies, sight, width, height);
  bodies.forEach(({ triangles }, nth) => {
    const corner = (at: number): Triple => {
      const first = 3 * triangles[at];
      return [seen[nth][first], seen[nth][first + 1], seen[nth][first + 2]];
    };
    for (let at = 0; at < triangles.length; at += 3) fill(picture, corner(at), corner(at + 1), corner(at + 2));
  });
  return picture;
}

/** So far a depth may leave the plane of its neighbours, in pixels. */
const BEND = 1.5;

/**
 * Whether a line is drawn at a point: the next one's light differs, or the depth does not run on evenly from the one before to the one after. A steep face
 * runs on evenly too.
 */
function isEdge({ depth, light }: Picture, before: number, p: number, after: number): boolean {
  if (Math.abs(light[p] - light[after]) > 0.04) return true;
  const there = [before, p, after].filter((at) => depth[at] > -Infinity).length;
  if (there < 3) return there > 0;
  return Math.abs(depth[before] - 2 * depth[p] + depth[after]) > BEND;
}

/**
 * The picture as pixels, red, green, blue and opacity, with lines where faces meet.
 * @param face and line colours, each channel 0 to 255
 */
export function pixelsOf(picture: Picture, face: Triple, line: Triple): Uint8ClampedArray<ArrayBuffer> {
  const { width, height, depth, light } = picture;
  const pixels = new Uint8ClampedArray(4 * width * height);
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) {
      const p = y * width + x;
      const drawn =
        (x > 0 && x + 1 < width && isEdge(picture, p - 1, p, p + 1)) ||
        (y > 0 && y + 1 < height && isEdge(picture, p - width, p, p + width));
      const isThere = depth[p] > -Infinity;
      if (!drawn && !isThere) continue;
      const colour = drawn ? line : face.map((value) => value * light[p]);
      pixels.set([colour[0], colour[1], colour[2], 255], 4 * p);
    }
  return pixels;
}
