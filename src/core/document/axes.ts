import type { Control } from "../catalogue/kinds";
import { between, listOf, whole, z } from "../schema";

/** How a voltage becomes the place of an axis. Percent of the track are of the supply, those of the way from rest to an end. */
export const axisSchema = z.strictObject({
  /** Whether it goes to both sides of where it rests, or rests at its low end. */
  sides: z.enum(["both", "one"]),
  /** Readings at its ends and, of one that goes to both sides, where it rests; percent of the track. */
  lowest: between(0, 100),
  centre: between(0, 100),
  highest: between(0, 100),
  /** The other way round. */
  turned: z.boolean(),
  /** Each reading counts by one part in 2^n. */
  smooth: whole(0, 4),
  /** Readings that differ by no more change nothing; percent of the track. */
  still: between(0, 10),
  /** Around where it rests nothing is told; percent of the way. */
  dead: between(0, 60),
  /** Of a stick: each axis by itself, or one zone around both. */
  deadAround: z.enum(["axis", "stick"]),
  /** What is told at eighths of the way, in percent; straight in between, and from 0 to 100 where nothing is said. */
  curve: listOf(z.strictObject({ eighth: whole(0, 8), percent: between(0, 100) }), 9),
  /** Its keys are pressed from here on, and let go beneath there; percent of the way. */
  keyOn: between(2, 100),
  keyOff: between(1, 99),
});
export type AxisSettings = z.infer<typeof axisSchema>;

/** Where the hand can bring a wiper, and where it rests when let go, in percent of its track. */
export interface TrackUse {
  lowest: number;
  rest: number;
  highest: number;
}

/** Sticks use most of their track (common practice). */
const STICK_USES_PERCENT = 90;
const mean = (values: number[]) => values.reduce((a, b) => a + b, 0) / values.length;

/**
 * @param end of a stick "x", "y" or "z"; of a pot its wiper
 * @returns null for what has no wiper
 */
export function trackUseOf(control: Control, end: string): TrackUse | null {
  if (control.kind === "stick") {
    const measured = control.rests ?? [];
    const along = end === "y" ? measured.map(({ y }) => y) : measured.map(({ x }) => x);
    const rest = measured.length === 0 || end === "z" ? 50 : 100 * mean(along);
    const half = STICK_USES_PERCENT / 2;
    return { lowest: Math.max(0, rest - half), rest, highest: Math.min(100, rest + half) };
  }
  if (control.kind !== "pot") return null;
  if (control.motion === "slide" || !control.lever) return { lowest: 0, rest: 0, highest: 100 };
  const used = Math.min(100, (100 * control.lever.degrees * control.lever.ratio) / control.travel);
  return { lowest: 50 - used / 2, rest: 50 - used / 2, highest: 50 + used / 2 };
}

/** Of its way, so much is left at each end, so that the end is surely reached. */
const END_PERCENT = 2;
const MOST_DEAD = 60;
const rounded = (value: number) => Math.round(value * 10) / 10;

/** How far from their middle measured rests of a stick lie, in percent of the way to its end. */
function scatterPercent(control: Control): number | null {
  if (control.kind !== "stick" || !control.rests || control.rests.length === 0) return null;
  const x = mean(control.rests.map((rest) => rest.x));
  const y = mean(control.rests.map((rest) => rest.y));
  const farthest = Math.max(...control.rests.map((rest) => Math.hypot(rest.x - x, rest.y - y)));
  return (100 * 100 * farthest) / (STICK_USES_PERCENT / 2);
}

/** Dead zone where no rest was measured (common practice); over the measured ones so much is added. */
const USUAL_DEAD = 8;
const OVER_SCATTER = 2;

/** How an axis is taken when nobody said: from what is known of its part. */
export function usualAxis(control: Control, end: string): AxisSettings {
  const track = trackUseOf(control, end) ?? { lowest: 0, rest: 0, highest: 100 };
  const isStick = control.kind === "stick";
  const margin = ((track.highest - track.lowest) * END_PERCENT) / 100;
  const scatter = scatterPercent(control);
  const dead = scatter === null ? USUAL_DEAD : Math.min(MOST_DEAD, rounded(scatter + OVER_SCATTER));
  return {
    sides: isStick ? "both" : "one",
    lowest: rounded(track.lowest + margin),
    centre: rounded(isStick ? track.rest : track.lowest),
    highest: rounded(track.highest - margin),
    turned: false,
    smooth: 1,
    still: 0.4,
    dead: isStick ? dead : 0,
    deadAround: "stick",
    curve: [],
    keyOn: 60,
    keyOff: 45,
  };
}

/** Settings of an axis by its element, else the usual ones. */
export const axisOf = (
  axes: Record<string, AxisSettings> | undefined,
  control: Control,
  element: { id: string; end: string },
): AxisSettings => (axes && Object.hasOwn(axes, element.id) ? axes[element.id] : usualAxis(control, element.end));

/** Nearer together the ends cannot be stretched: percent of the track on each side of where it rests. */
export const LEAST_SIDE_PERCENT = 7;

/** What cannot be true of an axis, in words; null when all is well. */
export function axisProblem({ sides, lowest, centre, highest, keyOn, keyOff }: AxisSettings): string | null {
  if (keyOff >= keyOn) return `lets its keys go at ${keyOff} % and presses them at ${keyOn} %; letting go must be less`;
  if (sides === "one")
    return highest - lowest >= LEAST_SIDE_PERCENT
      ? null
      : `goes from ${lowest} % to ${highest} % of its track; at least ${LEAST_SIDE_PERCENT} % must lie between its ends`;
  return centre - lowest >= LEAST_SIDE_PERCENT && highest - centre >= LEAST_SIDE_PERCENT
    ? null
    : `rests at ${centre} % between ${lowest} % and ${highest} %; at least ${LEAST_SIDE_PERCENT} % must lie on either side`;
}
