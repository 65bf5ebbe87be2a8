import { crc16 } from "../contract/crc16";
import {
  COMMAND,
  FRAME_AT,
  FRAME_BYTES,
  HELLO_AT,
  LIVE_STATE,
  MOST_POOL_READ,
  MOST_READ,
  MOST_SENSORS_READ,
  MOST_WRITTEN,
  SLOT_AT,
  SLOT_BYTES,
} from "../contract/live";

/** Four bytes as in the action table: kind, modifiers, value. */
export type ActionBytes = [kind: number, modifiers: number, valueLow: number, valueHigh: number];

/** What one input does on one layer, otherwise than it was loaded. */
export interface Change {
  layer: number;
  input: number;
  action: ActionBytes;
}

/** A device, as it tells of itself. */
export interface Hello {
  liveVersion: number;
  tableVersion: number;
  tablesCrc: number;
  fixedCrc: number;
  layers: number;
  inputs: number;
  poolBytes: number;
  mostChanges: number;
  /** Of the set in effect. */
  changes: number;
  sequence: number;
  isUnlocked: boolean;
  isWaiting: boolean;
  forgets: boolean;
  /** Numbers of the switches that unlock it; null where there are none. */
  unlock: [number, number] | null;
  unlockTenths: number;
  openSeconds: number;
}

const word = (value: number) => [value & 0xff, (value >> 8) & 0xff];
const wordAt = (bytes: Uint8Array, at: number) => bytes[at] | (bytes[at + 1] << 8);

interface Question {
  command: number;
  first?: number;
  count?: number;
  payload?: number[];
}

/** A frame to the device. The token comes back in its answer, which so is told from an older one. */
export function frameOf({ command, first = 0, count = 0, payload = [] }: Question, token: number): Uint8Array {
  const frame = new Uint8Array(FRAME_BYTES);
  frame[FRAME_AT.COMMAND] = command;
  frame[FRAME_AT.TOKEN] = token;
  frame[FRAME_AT.FIRST] = first;
  frame[FRAME_AT.COUNT] = count;
  frame.set(payload, FRAME_AT.PAYLOAD);
  return frame;
}

export const helloQuestion: Question = { command: COMMAND.HELLO };

/** Questions for the actions of all inputs on a layer, in effect or as loaded. */
export const readQuestions = (which: "active" | "loaded", layer: number, inputs: number): Question[] =>
  Array.from({ length: Math.ceil(inputs / MOST_READ) }, (_, nth) => ({
    command: which === "active" ? COMMAND.READ_ACTIVE : COMMAND.READ_LOADED,
    first: layer,
    count: Math.min(MOST_READ, inputs - nth * MOST_READ),
    payload: [nth * MOST_READ],
  }));

/** Questions for the whole pool. */
export const poolQuestions = (bytes: number): Question[] =>
  Array.from({ length: Math.ceil(bytes / MOST_POOL_READ) }, (_, nth) => ({
    command: COMMAND.READ_POOL,
    count: Math.min(MOST_POOL_READ, bytes - nth * MOST_POOL_READ),
    payload: word(nth * MOST_POOL_READ),
  }));

/** Questions for the readings of so many sensors. */
export const sensorQuestions = (sensors: number): Question[] =>
  Array.from({ length: Math.ceil(sensors / MOST_SENSORS_READ) }, (_, nth) => ({
    command: COMMAND.READ_SENSORS,
    first: nth * MOST_SENSORS_READ,
    count: Math.min(MOST_SENSORS_READ, sensors - nth * MOST_SENSORS_READ),
  }));

/** Readings in an answer, as parts of 65536 of the supply. */
export const readingsIn = (frame: Uint8Array): number[] =>
  Array.from({ length: Math.min(frame[FRAME_AT.COUNT], MOST_SENSORS_READ) }, (_, nth) =>
    wordAt(frame, FRAME_AT.PAYLOAD + 2 * nth),
  );

const changeBytes = ({ layer, input, action }: Change) => [layer, input, ...action];

/** In the order in which a slot holds them. */
export const inOrder = (changes: Change[]): Change[] =>
  [...changes].sort((a, b) => a.layer - b.layer || a.input - b.input);

/** The CRC of a set: of what its slot holds between the seal and the CRC, and of the changes. */
export const setCrc = (sequence: number, tablesCrc: number, changes: Change[]): number =>
  crc16([...word(sequence), ...word(tablesCrc), changes.length, ...changes.flatMap(changeBytes)]);

/** What sends a set of changes, frame by frame. @param sequence of the set before */
export function writeQuestions(
  changes: Change[],
  { sequence, tablesCrc }: Pick<Hello, "sequence" | "tablesCrc">,
): Question[] {
  const parts = Array.from({ length: Math.ceil(changes.length / MOST_WRITTEN) }, (_, nth) => nth * MOST_WRITTEN);
  const crc = setCrc((sequence + 1) & 0xffff, tablesCrc, changes);
  return [
    { command: COMMAND.BEGIN, count: changes.length },
    ...parts.map((first) => {
      const some = changes.slice(first, first + MOST_WRITTEN);
      return { command: COMMAND.WRITE, first, count: some.length, payload: some.flatMap(changeBytes) };
    }),
    { command: COMMAND.FINISH, payload: word(crc) },
  ];
}

/** @throws RangeError for a frame that is too short */
export function helloOf(frame: Uint8Array): Hello {
  if (frame.length < HELLO_AT.OPEN_SECONDS + 1) throw new RangeError(`a frame of ${frame.length} bytes`);
  const [first, second] = [frame[HELLO_AT.UNLOCK_FIRST], frame[HELLO_AT.UNLOCK_SECOND]];
  const state = frame[HELLO_AT.STATE];
  return {
    liveVersion: frame[HELLO_AT.LIVE_VERSION],
    tableVersion: frame[HELLO_AT.TABLE_VERSION],
    tablesCrc: wordAt(frame, HELLO_AT.TABLES_CRC),
    fixedCrc: wordAt(frame, HELLO_AT.FIXED_CRC),
    layers: frame[HELLO_AT.LAYERS],
    inputs: frame[HELLO_AT.INPUTS],
    poolBytes: wordAt(frame, HELLO_AT.POOL_BYTES),
    mostChanges: frame[HELLO_AT.MOST_CHANGES],
    changes: frame[HELLO_AT.CHANGES],
    sequence: wordAt(frame, HELLO_AT.SEQUENCE),
    isUnlocked: (state & LIVE_STATE.UNLOCKED) !== 0,
    isWaiting: (state & LIVE_STATE.WAITING) !== 0,
    forgets: (state & LIVE_STATE.FORGETS) !== 0,
    unlock: first === 0xff || second === 0xff ? null : [first, second],
    unlockTenths: frame[HELLO_AT.UNLOCK_TENTHS],
    openSeconds: frame[HELLO_AT.OPEN_SECONDS],
  };
}

/** Actions in an answer to a READ. */
export const actionsIn = (frame: Uint8Array): ActionBytes[] =>
  Array.from({ length: frame[FRAME_AT.COUNT] }, (_, nth) => {
    const at = FRAME_AT.PAYLOAD + 4 * nth;
    return [...frame.slice(at, at + 4)] as ActionBytes;
  });

/** Bytes in an answer to a READ_POOL. */
export const poolIn = (frame: Uint8Array): number[] => [
  ...frame.slice(FRAME_AT.PAYLOAD, FRAME_AT.PAYLOAD + frame[FRAME_AT.COUNT]),
];

/** A slot for changes as a device keeps it, sealed or not; for stand-ins and tests. */
export const slotBytes = (seal: number, sequence: number, tablesCrc: number, changes: Change[]): number[] => [
  seal,
  ...word(sequence),
  ...word(tablesCrc),
  changes.length,
  ...word(setCrc(sequence, tablesCrc, changes)),
  ...changes.flatMap(changeBytes).slice(0, SLOT_BYTES.KEYMAP - SLOT_AT.CHANGES),
];
