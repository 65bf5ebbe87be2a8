import { point, rotate } from "../geometry/point";
import { type Ring } from "../geometry/ring";
import { type Seam, TOOTH_MM } from "./seams";
import type { Flat, Solid, SolidShop } from "./solidKernel";

/** Air in a joint, so that pieces go together with glue. */
const JOINT_MM = 0.2;
const FAR_MM = 4000;
/** Corners closer than this to where they would not be missed are left out: less than any printer resolves. */
const SIMPLE_MM = 0.004;
/** What a cut leaves of a corner is no piece. */
const LEAST_MM3 = 20;

/** A tooth that begins at the seam and grows wider, in the frame of the case. */
function tooth({ axis, atMm }: Seam, middleMm: number): Ring {
  const [neck, head] = [TOOTH_MM.neck / 2, TOOTH_MM.head / 2];
  const corners: [number, number][] = [
    [-1, -neck],
    [0, -neck],
    [TOOTH_MM.long, -head],
    [TOOTH_MM.long, head],
    [0, neck],
    [-1, neck],
  ];
  return corners.map(([along, across]) =>
    axis === "xMm" ? point(atMm + along, middleMm + across) : point(middleMm + across, atMm + along),
  );
}

/** Everything before a seam, with its teeth. */
function before(shop: SolidShop, seam: Seam, turnDeg: number): Flat {
  const { axis, atMm, teethMm } = seam;
  const [from, to] = [-FAR_MM, FAR_MM];
  const half =
    axis === "xMm"
      ? [point(from, from), point(atMm, from), point(atMm, to), point(from, to)]
      : [point(from, from), point(to, from), point(to, atMm), point(from, atMm)];
  const rings = [half, ...teethMm.map((middle) => tooth(seam, middle))];
  return shop.area(rings.map((ring) => ring.map((p) => rotate(p, turnDeg))));
}

/** Regions between the seams of one axis, each drawn in by half of the joint's air. */
function strips(shop: SolidShop, seams: Seam[], turnDeg: number): Flat[] {
  const whole = shop.area([
    [point(-FAR_MM, -FAR_MM), point(FAR_MM, -FAR_MM), point(FAR_MM, FAR_MM), point(-FAR_MM, FAR_MM)],
  ]);
  const sides = seams.map((seam) => before(shop, seam, turnDeg));
  return [...sides, whole].map((side, nth) => {
    const own = nth === 0 ? side : shop.without(side, sides[nth - 1]);
    return shop.grown(own, -JOINT_MM / 2);
  });
}

/** A solid cut at its seams; each piece is one body. */
export function cutAtSeams(shop: SolidShop, solid: Solid, seams: Seam[], turnDeg: number): Solid[] {
  const along = (axis: Seam["axis"]) => seams.filter((seam) => seam.axis === axis);
  const cut = (all: Solid[], own: Seam[]) =>
    own.length === 0
      ? all
      : all.flatMap((one) =>
          strips(shop, own, turnDeg).map((strip) => shop.common(one, shop.raised(strip, -FAR_MM, FAR_MM))),
        );
  return cut(cut([solid], along("xMm")), along("yMm"))
    .flatMap((piece) => shop.apart(shop.kept(piece.simplify(SIMPLE_MM))))
    .filter((piece) => piece.volume() > LEAST_MM3);
}
