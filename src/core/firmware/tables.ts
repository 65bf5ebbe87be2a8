import type { Design, LampRule } from "../design/schema";
import { actionOf } from "../keymap/bindings";
import { bindingContextOf } from "../keymap/bindingContext";
import type { ScanPlan } from "./scanPlan";

/** Header places and entry sizes as in firmware/src/tables.h. */
const HEADER_BYTES = 26;
const VERSION = 1;
const NONE = 0xff;
const LAMP_CODE = { never: 0, always: 1, layer: 2, lock: 3 } as const;
const LOCK_BIT = { num: 0, caps: 1, scroll: 2 } as const;

/** One part of the table block, for listings with comments. */
export interface TableSection {
  title: string;
  bytes: number[];
  /** Bytes of one entry, for line breaks. */
  entryBytes: number;
}

const word = (value: number) => [value & 0xff, (value >> 8) & 0xff];

function groupBytes(plan: ScanPlan): number[] {
  return plan.groups.flatMap(({ strobe, bank, cells }) => [strobe ?? NONE, bank, ...cells.map((cell) => cell ?? NONE)]);
}

function lampBytes(plan: ScanPlan, design: Design): number[] {
  const context = bindingContextOf(design);
  const argument = (rule: LampRule) => {
    if (rule.when === "layer") return context.layerIndex(rule.layerId);
    return rule.when === "lock" ? LOCK_BIT[rule.lock] : 0;
  };
  return plan.lamps.flatMap(({ controlId, line }) => {
    const rule = design.keymap.lamps[controlId] ?? { when: "never" };
    return [line, LAMP_CODE[rule.when], argument(rule)];
  });
}

function actionBytes(plan: ScanPlan, design: Design): number[] {
  const context = bindingContextOf(design);
  return design.keymap.layers.flatMap((layer) =>
    plan.inputs.flatMap((inputId) => {
      const { kind, modifiers, value } = actionOf(layer.bindings[inputId], context);
      return [kind, modifiers, ...word(value)];
    }),
  );
}

function bankBytes(plan: ScanPlan): number[] {
  const banks = new Array<number>(Math.ceil(plan.senseLines.length / 16)).fill(0);
  for (const group of plan.groups) if (group.strobe === null) banks[group.bank] = 1;
  for (const { lineA, lineB } of plan.encoders) banks[lineA >> 4] = banks[lineB >> 4] = 1;
  return banks;
}

/** The sections in the order of the header's pointers. */
function bodySections(plan: ScanPlan, design: Design): TableSection[] {
  const encoders = plan.encoders.flatMap((e) => [e.lineA, e.lineB, e.statesPerStep]);
  return [
    { title: "groups: strobe line, bank, switch on each of 16 lines", bytes: groupBytes(plan), entryBytes: 18 },
    { title: "encoders: line A, line B, states a step", bytes: encoders, entryBytes: 3 },
    { title: "lamps: line, what it shows, argument", bytes: lampBytes(plan, design), entryBytes: 3 },
    { title: "actions: layer by layer, input by input", bytes: actionBytes(plan, design), entryBytes: 4 },
    { title: "banks: read with nothing strobed", bytes: bankBytes(plan), entryBytes: 1 },
  ];
}

/** The device's tables in sections; joined they are what the firmware reads, on every target. */
export function tableSections(plan: ScanPlan, design: Design): TableSection[] {
  const body = bodySections(plan, design);
  let offset = HEADER_BYTES;
  const places = body.map(({ bytes }) => {
    const place = offset;
    offset += bytes.length;
    return place;
  });
  const { debounceMs, settleUs, tapMs } = design.timing;
  const header = [
    ...[0x4f, 0x56, VERSION, plan.switches.length, plan.encoders.length, plan.lamps.length],
    ...[design.keymap.layers.length, plan.groups.length, body[4].bytes.length, debounceMs, settleUs, tapMs],
    ...places.flatMap(word),
    ...word(offset),
    ...word(0),
  ];
  return [{ title: "header", bytes: header, entryBytes: 12 }, ...body];
}

export const tableBytes = (plan: ScanPlan, design: Design): Uint8Array =>
  Uint8Array.from(tableSections(plan, design).flatMap((section) => section.bytes));
