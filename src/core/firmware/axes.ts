import { converterBits } from "../catalogue/controllers/converter";
import { axisUseEntry } from "../axisUses";
import { ENTRY_BYTES, NONE } from "../contract/contract";
import { AXIS_MOST, AXIS_USE_AT, CURVE_POINTS, SENSOR_AT } from "../contract/axes";
import { BATTERY, batteryAxis } from "../derived/batteryValue";
import { derive } from "../derived/derive";
import { type AxisSettings, axisOf } from "../document/axes";
import type { Design } from "../document/schema";
import { reportShapeOf } from "./reportShape";
import type { ScanTable } from "./scanTable";

const WHOLE = 65536;
const FACTOR_MOST = 65535;
const DEAD_UNIT = 4096;

/** Settings of a sensor's axis. */
export function axisOfSensor(design: Design, elementId: string): AxisSettings {
  if (elementId === BATTERY) return batteryAxis(design)!;
  const { elements, controls } = derive(design);
  const element = elements.get(elementId)!;
  return axisOf(design.keymap.axes, controls.get(element.controlId)!, element);
}

/** Places a reading, times 65536, so that the end of a span is the farthest place. */
const factorOf = (span: number) => Math.min(FACTOR_MOST, Math.ceil((AXIS_MOST * WHOLE) / Math.max(1, span)));

interface Stretch {
  centre: number;
  below: number;
  above: number;
  /** Readings that are lost to standing still and to smoothing, on each side. */
  margin: number;
}

/** Readings at ends and rest, and what stretches them; `top` is the highest reading of the converter. */
function stretchOf(axis: AxisSettings, top: number): Stretch {
  const reading = (percent: number) => Math.round((percent / 100) * top);
  const margin = Math.round((axis.still / 100) * WHOLE) + 2 ** axis.smooth - 1;
  const [low, high] = [reading(axis.lowest) + margin, reading(axis.highest) - margin];
  if (axis.sides === "both") {
    const centre = reading(axis.centre);
    return { centre, below: factorOf(centre - low), above: factorOf(high - centre), margin };
  }
  const whole = factorOf(high - low);
  return axis.turned
    ? { centre: high, below: whole, above: 0, margin }
    : { centre: low, below: 0, above: whole, margin };
}

/** A dead zone is never less than what a control at rest may read, so that it tells nothing. */
function deadOf(axis: AxisSettings, { below, above, margin }: Stretch, hasTwin: boolean): number {
  const wished = Math.round((axis.dead / 100) * AXIS_MOST);
  if (axis.sides === "one") return wished;
  const least = Math.ceil((margin * Math.max(below, above)) / WHOLE) + 1;
  return Math.max(wished, hasTwin ? Math.ceil(Math.SQRT2 * least) : least);
}

/** The other axis of a stick whose dead zone lies around both. */
export function twinOf(design: Design, sensors: string[], elementId: string): string | null {
  const { elements, controls } = derive(design);
  const { controlId = "", end } = elements.get(elementId) ?? {};
  const other = end === "x" ? "y" : end === "y" ? "x" : null;
  if (controls.get(controlId)?.kind !== "stick" || other === null) return null;
  const twin = sensors.find((id) => elements.get(id)?.controlId === controlId && elements.get(id)?.end === other);
  if (twin === undefined) return null;
  const isAround = (id: string) => {
    const axis = axisOfSensor(design, id);
    return axis.sides === "both" && axis.deadAround === "stick";
  };
  return isAround(elementId) && isAround(twin) ? twin : null;
}

/** What is told at each eighth of the way, 0 to AXIS_MOST; null where it is as it is. */
export function curveOf({ curve }: AxisSettings): number[] | null {
  if (curve.length === 0) return null;
  const said = new Map(curve.map(({ eighth, percent }) => [eighth, percent]));
  if (!said.has(0)) said.set(0, 0);
  if (!said.has(CURVE_POINTS - 1)) said.set(CURVE_POINTS - 1, 100);
  const points = [...said].sort(([a], [b]) => a - b);
  return Array.from({ length: CURVE_POINTS }, (_, eighth) => {
    const next = points.findIndex(([at]) => at >= eighth);
    const [to, percentTo] = points[next];
    const [from, percentFrom] = points[Math.max(0, next - 1)];
    const part = to === from ? 1 : (eighth - from) / (to - from);
    return Math.round(((percentFrom + part * (percentTo - percentFrom)) / 100) * AXIS_MOST);
  });
}

/** Curves of a design, equal ones once, in the order of the sensors. */
function curvesOf(design: Design, sensors: string[]): string[] {
  const all = sensors.flatMap((id) => curveOf(axisOfSensor(design, id)) ?? []);
  const lists = Array.from({ length: all.length / CURVE_POINTS }, (_, nth) =>
    all.slice(nth * CURVE_POINTS, (nth + 1) * CURVE_POINTS).join(" "),
  );
  return [...new Set(lists)];
}

const word = (value: number) => [value & 0xff, (value >> 8) & 0xff];

/** Bytes of the table of curves. */
export const curveBytes = ({ sensors }: ScanTable, design: Design): number[] =>
  curvesOf(design, sensors).flatMap((list) => list.split(" ").flatMap((value) => word(Number(value))));

const numberOrNone = (list: string[], id: string | null) => {
  const at = id === null ? -1 : list.indexOf(id);
  return at < 0 ? NONE : at;
};

/** Bytes of the table of sensors. */
export function sensorBytes(scan: ScanTable, design: Design): number[] {
  const bits = converterBits(derive(design).profile);
  const top = WHOLE - 2 ** (16 - bits);
  const curves = curvesOf(design, scan.sensors);
  return scan.sensors.flatMap((id) => {
    const axis = axisOfSensor(design, id);
    const twin = twinOf(design, scan.sensors, id);
    const stretch = stretchOf(axis, top);
    const dead = deadOf(axis, stretch, twin !== null);
    const place = (percent: number) => word(Math.max(1, Math.round((percent / 100) * AXIS_MOST)));
    const entry = new Array<number>(ENTRY_BYTES.SENSOR).fill(0);
    const put = (at: number, bytes: number[]) => entry.splice(at, bytes.length, ...bytes);
    put(SENSOR_AT.SMOOTH, [axis.smooth, axis.turned ? 1 : 0]);
    put(SENSOR_AT.TWIN, [numberOrNone(scan.sensors, twin)]);
    put(SENSOR_AT.CURVE, [numberOrNone(curves, curveOf(axis)?.join(" ") ?? null)]);
    put(SENSOR_AT.STILL, word(Math.round((axis.still / 100) * WHOLE)));
    put(SENSOR_AT.CENTRE, [...word(stretch.centre), ...word(stretch.below), ...word(stretch.above)]);
    put(SENSOR_AT.DEAD, [...word(dead), ...word(Math.ceil((AXIS_MOST * DEAD_UNIT) / (AXIS_MOST - dead)))]);
    put(SENSOR_AT.FIRST_INPUT, [numberOrNone(scan.inputs, `${id}-high`), numberOrNone(scan.inputs, `${id}-low`)]);
    put(SENSOR_AT.KEY_ON, [...place(axis.keyOn), ...place(axis.keyOff)]);
    put(SENSOR_AT.BOTH_SIDES, [axis.sides === "both" ? 1 : 0]);
    return entry;
  });
}

/** Bytes of the table of what axes do, layer by layer, sensor by sensor. */
export function axisUseBytes({ sensors }: ScanTable, design: Design): number[] {
  const declared = reportShapeOf(design).axes.map(({ axis }) => axis);
  return design.keymap.layers.flatMap(({ axes = {} }) =>
    sensors.flatMap((id) => {
      const { does, which, speed } = axisUseEntry(Object.hasOwn(axes, id) ? axes[id] : undefined, declared);
      const entry = new Array<number>(ENTRY_BYTES.AXIS_USE).fill(0);
      entry[AXIS_USE_AT.DOES] = does;
      entry[AXIS_USE_AT.WHICH] = which;
      entry.splice(AXIS_USE_AT.SPEED, 2, ...word(speed));
      return entry;
    }),
  );
}
