import { Crowd } from "../geometry/crowd";
import type { Outline } from "../geometry/outline";
import { type Point, point } from "../geometry/point";
import { type Chip, chipOutline, terminalPlace } from "./chip";
import type { ChipPlaces, BuiltCircuit } from "./circuitKind";

/** Grid on which a place is looked for, and how far from what a part serves: a board's length. */
const STEP_MM = 5.08;
const RINGS = 60;

/** Places round a middle, the nearest ring first. */
function* placesRound(middle: Point): Generator<Point> {
  yield middle;
  for (let ring = 1; ring <= RINGS; ring++)
    for (let along = -ring; along <= ring; along++) {
      const [out, side] = [ring * STEP_MM, along * STEP_MM];
      yield point(middle.xMm + side, middle.yMm + out);
      yield point(middle.xMm + side, middle.yMm - out);
      yield point(middle.xMm + out, middle.yMm + side);
      yield point(middle.xMm - out, middle.yMm + side);
    }
}

const tidy = (mm: number) => Math.round(mm * 100) / 100;

/** The nearest place to where a part would lie at which nothing else does. */
function freePlace(chip: Chip, taken: Crowd): Point {
  for (const place of placesRound(chip.at)) {
    const at = point(tidy(place.xMm), tidy(place.yMm));
    if (!taken.isOnAnother(chipOutline({ ...chip, at }))) return at;
  }
  return chip.at;
}

/** A built circuit with its added parts moved, and with them the ends of its nets. */
function withChips(built: BuiltCircuit, moved: Map<string, Point>): BuiltCircuit {
  const laid = built.chips.map((chip) => ({ ...chip, at: moved.get(chip.id) ?? chip.at }));
  const chips = new Map(laid.filter(({ id }) => moved.has(id)).map((chip) => [chip.id, chip]));
  const nets = built.nets.map((net) => {
    if (!net.joints.some(({ controlId, elementId }) => elementId === "" && chips.has(controlId))) return net;
    const joints = net.joints.map((joint) => {
      const chip = joint.elementId === "" ? chips.get(joint.controlId) : undefined;
      if (!chip) return joint;
      const nth = chip.terminals.findIndex(({ name }) => `${chip.id}.${name}` === joint.contactId);
      return { ...joint, at: terminalPlace(chip, nth) };
    });
    return { ...net, joints };
  });
  return { ...built, nets, chips: laid };
}

/**
 * Lays the added parts that nobody has laid by hand where nothing lies: near what they serve, off the bodies behind the
 * plate, the module and each other.
 */
export function layChips(plans: BuiltCircuit[], places: ChipPlaces, obstacles: Outline[]): BuiltCircuit[] {
  const all = plans.flatMap(({ chips }) => chips);
  if (all.length === 0) return plans;
  const isLaid = ({ id }: Chip) => Object.hasOwn(places, id);
  const taken = new Crowd([...obstacles, ...all.filter(isLaid).map(chipOutline)]);
  const moved = new Map<string, Point>();
  for (const chip of all) {
    if (isLaid(chip)) continue;
    const at = freePlace(chip, taken);
    taken.add(chipOutline({ ...chip, at }));
    if (at.xMm !== chip.at.xMm || at.yMm !== chip.at.yMm) moved.set(chip.id, at);
  }
  return moved.size === 0 ? plans : plans.map((built) => withChips(built, moved));
}
