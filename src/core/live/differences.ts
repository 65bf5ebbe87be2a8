import { type Binding, bindingOf } from "../bindings";
import type { ActionEntry } from "../bindings/bindingKind";
import { ACTION, AT, LONG_BYTES } from "../contract/contract";
import { devicesOf } from "../derived/halves";
import type { Design } from "../document/schema";
import { scanTableOf } from "../firmware/scanTable";
import { macroPlan } from "../keymap/macroPlan";
import { actionEntries, tableBytes } from "../firmware/tables";
import type { DeviceKeymap } from "./conversation";
import type { ActionBytes, Change, Hello } from "./frames";

/** An input that does something else on the device than in the design. */
export interface Difference {
  layerId: string;
  inputId: string;
  /** Null: as on the layer beneath; undefined: nothing that this program writes. */
  onDevice: Binding | null | undefined;
  inDesign: Binding | null | undefined;
}

/** What separates a device from a design, and what would bring it there. */
export interface Comparison {
  differences: Difference[];
  /** The set that makes the device do as the design says; null when it cannot without being loaded again. */
  changes: Change[] | null;
  /** Why not, in words. */
  refusal: string | null;
}

const valueOf = ([, , low, high]: ActionBytes) => low | (high << 8);
const bytesOf = ({ kind, modifiers, value }: ActionEntry): ActionBytes => [kind, modifiers, value & 0xff, value >> 8];
const longBytes = (entry: ActionEntry): number[] => [...bytesOf(entry), ...(entry.more ?? [])];

/** Where the pool has these bytes, or -1. */
const placeIn = (pool: number[], bytes: number[]): number =>
  pool.findIndex((_, at) => at + bytes.length <= pool.length && bytes.every((byte, nth) => pool[at + nth] === byte));

/** Whether an action of the device is what the design wants. */
export function isSame(action: ActionBytes, wanted: ActionEntry, pool: number[]): boolean {
  if (!wanted.more) return bytesOf(wanted).every((byte, nth) => byte === action[nth]);
  const bytes = longBytes(wanted);
  const place = valueOf(action);
  return action[0] === ACTION.LONG && bytes.every((byte, nth) => pool[place + nth] === byte);
}

/** A wanted action as a device can take it; null when its pool would have to grow. */
export function shortOf(wanted: ActionEntry, pool: number[]): ActionBytes | null {
  if (!wanted.more) return bytesOf(wanted);
  const place = placeIn(pool, longBytes(wanted));
  return place < 0 ? null : [ACTION.LONG, 0, place & 0xff, place >> 8];
}

function entryOf(action: ActionBytes, pool: number[]): ActionEntry {
  const place = valueOf(action);
  const isLong = action[0] === ACTION.LONG;
  const [kind, modifiers, low, high] = isLong ? pool.slice(place, place + 4) : action;
  const entry = { kind, modifiers, value: low | (high << 8) };
  return isLong ? { ...entry, more: pool.slice(place + 4, place + (LONG_BYTES[kind] ?? 4)) } : entry;
}

/** The part of a design's tables that live changes cannot change, as one number. */
function fixedCrcOf(design: Design): number {
  const bytes = tableBytes(scanTableOf(design), design);
  return bytes[AT.FIXED_CRC] | (bytes[AT.FIXED_CRC + 1] << 8);
}

function tablesCrcOf(design: Design): number {
  const [low, high] = tableBytes(scanTableOf(design), design).slice(-2);
  return low | (high << 8);
}

const LOAD_AGAIN = "load it again";

/** Of a design whose parts are devices of their own the one that was loaded with this: as it is now, or else in all that cannot be changed. */
export function deviceMeant(design: Design, { tablesCrc, fixedCrc }: Pick<Hello, "tablesCrc" | "fixedCrc">): Design {
  const all = [design, ...devicesOf(design)];
  const isLoaded = (one: Design) => tablesCrcOf(one) === tablesCrc;
  return all.find(isLoaded) ?? all.find((one) => fixedCrcOf(one) === fixedCrc) ?? design;
}

/** Compares what a device does with what a design says. */
export function compare(whole: Design, device: DeviceKeymap): Comparison {
  const design = deviceMeant(whole, device.hello);
  const scan = scanTableOf(design);
  const { hello, loaded, active, pool } = device;
  const counts = design.keymap.layers.length * scan.inputs.length;
  if (fixedCrcOf(design) !== hello.fixedCrc || [loaded, active].some(({ length }) => length !== counts))
    return {
      differences: [],
      changes: null,
      refusal: `The device was loaded with other contacts, layers, lamps, reports or times than the design has: ${LOAD_AGAIN}.`,
    };
  const wanted = actionEntries(scan, design);
  const context = {
    layerId: (index: number) => design.keymap.layers[index]?.id ?? null,
    played: (index: number) => macroPlan(design).played[index] ?? null,
  };
  const differences: Difference[] = [];
  const changes: Change[] = [];
  const tooLong: string[] = [];
  wanted.forEach((entry, at) => {
    const [layer, input] = [Math.floor(at / scan.inputs.length), at % scan.inputs.length];
    if (!isSame(active[at], entry, pool))
      differences.push({
        layerId: design.keymap.layers[layer].id,
        inputId: scan.inputs[input],
        onDevice: bindingOf(entryOf(active[at], pool), context),
        inDesign: bindingOf(entry, context),
      });
    if (isSame(loaded[at], entry, pool)) return;
    const action = shortOf(entry, pool);
    if (action) changes.push({ layer, input, action });
    else tooLong.push(scan.inputs[input]);
  });
  const refusal = refusalOf(changes.length, hello.mostChanges, tooLong.length);
  return { differences, changes: refusal ? null : changes, refusal };
}

function refusalOf(changes: number, most: number, tooLong: number): string | null {
  if (tooLong > 0)
    return `${tooLong} of the actions ${tooLong === 1 ? "is" : "are"} longer than a change can be, and the device has no place for more: ${LOAD_AGAIN}.`;
  if (changes <= most) return null;
  return `${changes} inputs would do otherwise than they were loaded, and the device keeps ${most} changes: ${LOAD_AGAIN}.`;
}

/** The set in effect on a device, so that it can be sent again: to undo what came after. */
export function changesInEffect({ hello, loaded, active }: DeviceKeymap): Change[] {
  return active.flatMap((action, at) =>
    action.every((byte, nth) => byte === loaded[at][nth])
      ? []
      : [{ layer: Math.floor(at / hello.inputs), input: at % hello.inputs, action }],
  );
}
