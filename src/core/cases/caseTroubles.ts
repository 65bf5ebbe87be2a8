import type { Design } from "../document/schema";
import { ringDepthMm } from "../geometry/ringDepth";
import { FRAME_SCREW, LEAST_FRAME_MM } from "./layerPlan";
import { seamsFor } from "./seams";
import { bedOf } from "./bed";
import { rotate } from "../geometry/point";
import { extentAt } from "../geometry/smallestRectangle";
import { TOWER_WALL_MM } from "./screwSizes";
import { type CasePlan, GAP_MM, UNDER_HOLE_MM, outsideRing, towerRoomMm, wayOutMm } from "./casePlan";

/** What keeps a case from fitting or holding, with the cure. */
export interface CaseTrouble {
  message: string;
  controlIds: string[];
  controllerIds: string[];
  /** Standoffs near the corners would cure it. */
  wantsTowers: boolean;
}

/** Less is no wall (common practice: two lines of a 0.4 mm nozzle). */
const LEAST_WALL_MM = 0.8;
/** A plug's shell is about so long (from memory); deeper in it cannot be held. */
const SHELL_LONG_MM = 20;

const mm = (value: number) => `${value.toFixed(1)} mm`;
const trouble = (message: string, ids: Partial<CaseTrouble> = {}): CaseTrouble => ({
  message,
  controlIds: [],
  controllerIds: [],
  wantsTowers: false,
  ...ids,
});

/** What reaches into the wall so far that too little of it is left. */
function wallTroubles({ keepOuts, edge, settings, rimMm }: CasePlan): CaseTrouble[] {
  return keepOuts.flatMap(({ title, outline: { core, radiusMm }, fromMm }) => {
    if (fromMm >= rimMm) return [];
    const out = Math.max(...core.map((p) => radiusMm - ringDepthMm(edge, p)));
    const left = settings.wallMm - (out - settings.clearMm);
    if (left >= LEAST_WALL_MM) return [];
    return [
      trouble(
        `${title} reaches ${mm(out - GAP_MM)} beyond the plate's edge and leaves ${left > 0 ? mm(left) : "nothing"} of the wall: widen the board's margin in Layout, or the wall.`,
      ),
    ];
  });
}

function towerTroubles(plan: CasePlan): CaseTrouble[] {
  return plan.towers.flatMap((tower) => {
    const { label, controlId, outerMm, holeMm, screwMm, deepMm } = tower;
    const found: CaseTrouble[] = [];
    const own = { controlIds: [controlId] };
    const room = towerRoomMm(plan, tower);
    const need = outerMm > 0 ? holeMm / 2 + LEAST_WALL_MM : holeMm / 2;
    if (room < need)
      found.push(
        trouble(
          `${label} has ${mm(Math.max(0, room))} around its middle, its tower wants ${mm(outerMm > 0 ? holeMm / 2 + TOWER_WALL_MM : need)}: move it away from what is beside it.`,
          own,
        ),
      );
    if (outerMm > 0 && (screwMm === null || deepMm < holeMm))
      found.push(
        trouble(
          `${label} has only ${mm(plan.seatMm - plan.backMm - UNDER_HOLE_MM)} for its screw and no sold one is as short: take a thicker floor.`,
          own,
        ),
      );
    return found;
  });
}

function openingTroubles(plan: CasePlan): CaseTrouble[] {
  return plan.openings.flatMap((opening) => {
    const { title, controllerId, fromMm, plugMm } = opening;
    const ids = { controllerIds: controllerId === null ? [] : [controllerId] };
    if (plugMm === null || fromMm >= plan.rimMm) return [];
    const way = wayOutMm(plan, opening);
    const found: CaseTrouble[] = [];
    if (way > SHELL_LONG_MM - 5)
      found.push(
        trouble(
          `The ${title} lies ${mm(way)} behind the outside of the wall, too deep for a plug of about ${SHELL_LONG_MM} mm: move the module to the edge, with its plug outwards, or lead it out by an extension.`,
          ids,
        ),
      );
    if (fromMm < plan.backMm + UNDER_HOLE_MM)
      found.push(
        trouble(
          `The ${title} reaches ${mm(plan.floorMm - fromMm)} into the floor of ${mm(plan.floorMm - plan.backMm)}: take a thicker floor.`,
          ids,
        ),
      );
    return found;
  });
}

/** A frame too narrow for its own screws. */
const frameTroubles = ({ settings: { way, wallMm } }: CasePlan): CaseTrouble[] =>
  way === "layers" && wallMm < LEAST_FRAME_MM
    ? [
        trouble(
          `The frame of ${mm(wallMm)} is too narrow for screws through it: at least ${mm(LEAST_FRAME_MM)}, two beside a hole of ${mm(FRAME_SCREW.clearanceMm)}.`,
        ),
      ]
    : [];

/** What the bed or the sheet cannot take. */
function bedTroubles(design: Design, plan: CasePlan): CaseTrouble[] {
  const { settings, turnDeg } = plan;
  const bed = bedOf(design, settings.bedId);
  const ring = outsideRing(plan).map((p) => rotate(p, -turnDeg));
  const size = `${bed.name} of ${bed.widthMm} × ${bed.heightMm} mm`;
  if (settings.way === "printed") {
    const seams = seamsFor(plan, ring, [], bed);
    if (seams === null)
      return [trouble(`The case does not fit ${size}, nor does it in a dozen pieces each way: choose a larger bed.`)];
    const cut = [...new Set(seams.flatMap(({ through }) => through))];
    return cut.length === 0
      ? []
      : [
          trouble(
            `A seam between the pieces runs through ${cut.join(", ")}: move that by a few mm, or choose another bed.`,
          ),
        ];
  }
  const { widthMm, heightMm } = extentAt(ring, 0);
  return widthMm > bed.widthMm || heightMm > bed.heightMm
    ? [
        trouble(
          `Layers of ${widthMm.toFixed(0)} × ${heightMm.toFixed(0)} mm are larger than ${size}: choose a larger sheet.`,
        ),
      ]
    : [];
}

/** A plate that nothing holds falls out; a module on its front is not in the case. */
function holdingTroubles(design: Design, plan: CasePlan): CaseTrouble[] {
  const { towers, ledgeMm, board, stack, rimMm } = plan;
  const found: CaseTrouble[] = [];
  if (towers.length === 0)
    found.push(
      trouble(
        ledgeMm > 0
          ? `The plate of ${board.name} lies on the wall and nothing holds it down: add standoffs in Layout, or glue it in.`
          : `Nothing carries the plate of ${board.name}: add standoffs in Layout, or let the case carry its edge.`,
        { wantsTowers: true },
      ),
    );
  for (const { id, sort, title, bottomMm } of stack.bodies)
    if (sort === "module" && bottomMm >= 0 && design.controllers.some((one) => one.id === id))
      found.push(
        trouble(
          `${title} lies on the plate's front, ${rimMm > 0 ? "beside the keys" : "outside the case"}: lay it under the board in Pins if the case is to cover it.`,
          { controllerIds: [id] },
        ),
      );
  return found;
}

/** Everything that is to be settled before a case is made, in words with numbers and cures; empty where it fits. */
export const caseTroubles = (design: Design, plan: CasePlan): CaseTrouble[] => [
  ...wallTroubles(plan),
  ...towerTroubles(plan),
  ...openingTroubles(plan),
  ...frameTroubles(plan),
  ...bedTroubles(design, plan),
  ...holdingTroubles(design, plan),
];
