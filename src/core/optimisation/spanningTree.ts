/** Distances between all pairs of n points, row by row. */
export type Distances = Float64Array;

export function distancesOf(places: { xMm: number; yMm: number }[]): Distances {
  const n = places.length;
  const all = new Float64Array(n * n);
  const x = Float64Array.from(places, ({ xMm }) => xMm);
  const y = Float64Array.from(places, ({ yMm }) => yMm);
  for (let i = 0; i < n; i++)
    for (let j = 0; j < i; j++) {
      // Several times as fast as the library's hypotenuse, which guards against sizes that no device has.
      const mm = Math.sqrt((x[i] - x[j]) ** 2 + (y[i] - y[j]) ** 2);
      all[i * n + j] = mm;
      all[j * n + i] = mm;
    }
  return all;
}

/** Distance between two of n points, by their numbers. */
type DistanceOf = (a: number, b: number) => number;

export interface TreeEdge {
  a: number;
  b: number;
  mm: number;
}

let near = new Float64Array(1024);
let from = new Int32Array(1024);

/** The working space is kept from call to call, and grows with the largest net. */
function makeRoom(count: number) {
  if (near.length >= count) return;
  near = new Float64Array(2 * count);
  from = new Int32Array(2 * count);
}

/**
 * The shortest tree that joins all points (Prim 1957), told edge by edge: no wiring of a net from contact to contact
 * is shorter.
 */
function eachTreeEdge(count: number, mmOf: DistanceOf, tell: (a: number, b: number, mm: number) => void): void {
  makeRoom(count);
  for (let i = 1; i < count; i++) {
    near[i] = mmOf(0, i);
    from[i] = 0;
  }
  for (let joined = 1; joined < count; joined++) {
    let next = 0;
    let least = Infinity;
    for (let i = 1; i < count; i++)
      if (near[i] >= 0 && near[i] < least) {
        least = near[i];
        next = i;
      }
    tell(from[next], next, least);
    near[next] = -1;
    for (let i = 1; i < count; i++) {
      if (near[i] < 0) continue;
      const mm = mmOf(next, i);
      if (mm < near[i]) {
        near[i] = mm;
        from[i] = next;
      }
    }
  }
}

/** Length of the shortest tree that joins the members: as above, without telling, for the search's inner loop. */
export function treeMm(members: ArrayLike<number>, distances: Distances, n: number): number {
  const count = members.length;
  if (count < 2) return 0;
  if (count === 2) return distances[members[0] * n + members[1]];
  makeRoom(count);
  for (let i = 1; i < count; i++) near[i] = distances[members[0] * n + members[i]];
  let sum = 0;
  for (let joined = 1; joined < count; joined++) {
    let next = 1;
    let least = Infinity;
    for (let i = 1; i < count; i++) {
      if (near[i] < least) {
        least = near[i];
        next = i;
      }
    }
    sum += least;
    near[next] = Infinity;
    const row = members[next] * n;
    for (let i = 1; i < count; i++) {
      const mm = distances[row + members[i]];
      if (near[i] !== Infinity && mm < near[i]) near[i] = mm;
    }
  }
  return sum;
}

/** The shortest tree over members: indices of `distances`, `n` of them in all. */
export function treeEdges(members: ArrayLike<number>, distances: Distances, n: number): TreeEdge[] {
  const edges: TreeEdge[] = [];
  const mmOf = (a: number, b: number) => distances[members[a] * n + members[b]];
  eachTreeEdge(members.length, mmOf, (a, b, mm) => edges.push({ a: members[a], b: members[b], mm }));
  return edges;
}

/** The shortest tree over some places; each distance is worked out when it is looked at, and none is kept. */
export function treeOfPlaces(places: { xMm: number; yMm: number }[]): TreeEdge[] {
  const edges: TreeEdge[] = [];
  const x = places.map(({ xMm }) => xMm);
  const y = places.map(({ yMm }) => yMm);
  const mmOf = (a: number, b: number) => Math.sqrt((x[a] - x[b]) ** 2 + (y[a] - y[b]) ** 2);
  eachTreeEdge(places.length, mmOf, (a, b, mm) => edges.push({ a, b, mm }));
  return edges;
}

/** Length of the shortest tree over a few places. */
export const treeOfPlacesMm = (places: { xMm: number; yMm: number }[]): number =>
  treeMm(
    places.map((_, nth) => nth),
    distancesOf(places),
    places.length,
  );
