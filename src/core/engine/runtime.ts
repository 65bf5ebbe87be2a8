import { LIMITS, type ReportName, REPORTS } from "../contract/contract";
import { PANEL } from "../contract/panel";
import { RADIO_FRAME_MOST } from "../contract/radio";
import { FRAME_BYTES, KEPT_BYTES, NO_SEAL } from "../contract/live";
import { runtimeModule } from "./runtimeModule";

/** What the firmware calls out for. */
export interface RuntimeHost {
  /** @returns whether the host takes it; else it is offered again. */
  report(kind: ReportName, bytes: Uint8Array): boolean;
  lamp(line: number, on: boolean): void;
  /** A chain of addressable lights is sent its bytes. */
  lights(chain: number, bytes: Uint8Array): void;
  /** A frame is shifted through a chain of segment drivers. */
  segments?(chain: number, bytes: Uint8Array): void;
  display?(display: number, bytes: Uint8Array): void;
  /** A radio is handed its packet. */
  radio?(bytes: Uint8Array): void;
  /** Bytes leave a socket for music. */
  din?(bytes: Uint8Array): void;
  /** A frame leaves for the other part, or is kept until this module is asked. */
  link?(bytes: Uint8Array): void;
  /** Of modules on a bus: which of them call (a bit each by their numbers), one is asked, and this one calls. */
  calls?(): number;
  asks?(part: number): void;
  call?(): void;
}

/** The firmware, compiled to WebAssembly, with one device's tables. */
export interface Runtime {
  /** What ov_init answered (START of the device contract): ready, or why the device stays quiet. */
  started: number;
  scan(elapsedMs: number): void;
  hostLocks(bits: number): void;
  hostReset(): void;
  hostSleeps(sleeps: number): void;
  switchClosed(switchNumber: number): boolean;
  layerActive(layer: number): boolean;
  /** An edge of an encoder whose pins interrupt: its state, bit 1 A closed, bit 0 B closed. */
  encoderEdge(encoder: number, state: number): void;
  /** A frame of live changes from the host. @returns whether it is taken: not while another is being worked on. */
  ask(frame: Uint8Array): boolean;
  /** What the host gets when it asks for the answer; null on a device without live changes. */
  answered(): Uint8Array | null;
  /** What the computer tells a panel; false on a device without one. */
  tell(bytes: Uint8Array): boolean;
  /** What came back on the acknowledgement of a radio's packet; false where nothing is taken from it. */
  radioAnswered(bytes: Uint8Array): boolean;
  /** Bytes that came over a serial port. */
  line(bytes: Uint8Array): void;
  /** An event that the computer plays: the four bytes of its packet. */
  hear(event: Uint8Array): void;
  /** A computer has set this part up, or no longer. */
  configured(is: boolean): void;
  /** Bytes that came over the line from the other part. */
  linked(bytes: Uint8Array): void;
  /** Whether all other parts are heard. */
  isHeard(): boolean;
  /** Whether this one is. */
  hears(part: number): boolean;
  /** Frames of the other part that did not arrive, counted up to 255 and on from 0. */
  missed(): number;
  /** A serial pad port is latched and read: the level of its data line at each of so many bits. */
  readPlug(bits: number): boolean[];
  /** The bytes that outlast the power. */
  kept: Uint8Array;
  /** Answers of the electrical world: word of a bank while a strobe is driven, at (strobe + 1) · BANKS + bank. */
  answers: Uint16Array;
  /** Voltages of the sensors, as parts of 65536 of the supply. */
  levels: Uint16Array;
}

interface Exports {
  memory: WebAssembly.Memory;
  ov_init(): number;
  ov_scan(elapsedMs: number): void;
  ov_host_locks(bits: number): void;
  ov_host_reset(): void;
  ov_host_sleeps(sleeps: number): void;
  ov_switch_closed(sw: number): number;
  ov_layer_active(layer: number): number;
  ov_tables_place(): number;
  ov_answers_place(): number;
  ov_levels_place(): number;
  ov_kept_place(): number;
  ov_encoder_edge(encoder: number, state: number): void;
  ov_live_place(): number;
  ov_live_asked(): void;
  ov_live_frame(): number;
  ov_panel_place(): number;
  ov_line_byte(byte: number): void;
  ov_hear(kind: number, status: number, first: number, second: number): void;
  ov_plug_latched(): number;
  ov_plug_clocked(): number;
  ov_answer_place(): number;
  ov_answer_came(length: number): number;
  ov_part_is(part: number): void;
  ov_host_configured(is: number): void;
  ov_link_byte(byte: number): void;
  ov_link_is_heard(): number;
  ov_link_hears(part: number): number;
  ov_link_missed(): number;
}

export const BANKS = LIMITS.BANKS;

const reportNames = (Object.keys(REPORTS) as ReportName[]).sort((a, b) => REPORTS[a].number - REPORTS[b].number);

/** What the module calls; `bytesAt` copies what stands in its memory. */
const calledBy = (host: RuntimeHost, bytesAt: (place: number, length: number) => Uint8Array) => ({
  report: (kind: number, place: number, length: number) =>
    host.report(reportNames[kind], bytesAt(place, length)) ? 1 : 0,
  lamp: (line: number, on: number) => host.lamp(line, on !== 0),
  lights: (chain: number, place: number, length: number) => host.lights(chain, bytesAt(place, length)),
  display: (display: number, place: number, length: number) => host.display?.(display, bytesAt(place, length)),
  radio: (place: number, length: number) => host.radio?.(bytesAt(place, length)),
  din: (place: number, length: number) => host.din?.(bytesAt(place, length)),
  link: (place: number, length: number) => host.link?.(bytesAt(place, length)),
  calls: () => host.calls?.() ?? 0,
  asks: (part: number) => host.asks?.(part),
  call: () => host.call?.(),
  segments: (chain: number, place: number, length: number) => host.segments?.(chain, bytesAt(place, length)),
});

const plugLevels = ({ ov_plug_latched, ov_plug_clocked }: Exports, bits: number): boolean[] =>
  Array.from({ length: bits }, (_, nth) => (nth === 0 ? ov_plug_latched() : ov_plug_clocked()) !== 0);

/**
 * Starts the firmware on a device's tables.
 * @param part which part of the device it is, of two
 * @throws RangeError when the tables are too long, Error when the firmware has not been brought.
 */
export function startRuntime(tables: Uint8Array, host: RuntimeHost, keptBefore?: Uint8Array, part = 0): Runtime {
  if (tables.length > LIMITS.TABLE_BYTES)
    throw new RangeError(`tables of ${tables.length} bytes; there is room for ${LIMITS.TABLE_BYTES}`);
  const instance = new WebAssembly.Instance(runtimeModule(), {
    host: calledBy(host, (place, length) => new Uint8Array(exports.memory.buffer, place, length).slice()),
  });
  const exports = instance.exports as unknown as Exports;
  new Uint8Array(exports.memory.buffer, exports.ov_tables_place(), LIMITS.TABLE_BYTES).set(tables);
  const answers = new Uint16Array(exports.memory.buffer, exports.ov_answers_place(), (LIMITS.LINES + 1) * BANKS);
  answers.fill(0xffff);
  const levels = new Uint16Array(exports.memory.buffer, exports.ov_levels_place(), LIMITS.SENSORS);
  const kept = new Uint8Array(exports.memory.buffer, exports.ov_kept_place(), KEPT_BYTES);
  kept.fill(NO_SEAL);
  if (keptBefore) kept.set(keptBefore);
  exports.ov_part_is(part);
  const frameAt = (place: number) => new Uint8Array(exports.memory.buffer, place, FRAME_BYTES);
  return {
    kept,
    ask(frame) {
      const place = exports.ov_live_place();
      if (place === 0) return false;
      frameAt(place).fill(0).set(frame);
      exports.ov_live_asked();
      return true;
    },
    tell(bytes) {
      const place = exports.ov_panel_place();
      if (place === 0) return false;
      new Uint8Array(exports.memory.buffer, place, PANEL.BYTES).fill(0).set(bytes.slice(0, PANEL.BYTES));
      return true;
    },
    hear: ([kind, status, first, second]) => exports.ov_hear(kind, status, first, second),
    configured: (is) => exports.ov_host_configured(is ? 1 : 0),
    linked: (bytes) => bytes.forEach((byte) => exports.ov_link_byte(byte)),
    isHeard: () => exports.ov_link_is_heard() !== 0,
    hears: (other) => exports.ov_link_hears(other) !== 0,
    missed: () => exports.ov_link_missed(),
    line: (bytes) => bytes.forEach((byte) => exports.ov_line_byte(byte)),
    radioAnswered(bytes) {
      const told = bytes.slice(0, RADIO_FRAME_MOST);
      new Uint8Array(exports.memory.buffer, exports.ov_answer_place(), told.length).set(told);
      return exports.ov_answer_came(told.length) !== 0;
    },
    readPlug: (bits) => plugLevels(exports, bits),
    answered() {
      const place = exports.ov_live_frame();
      return place === 0 ? null : frameAt(place).slice();
    },
    started: exports.ov_init(),
    scan: exports.ov_scan,
    hostLocks: exports.ov_host_locks,
    hostReset: exports.ov_host_reset,
    hostSleeps: exports.ov_host_sleeps,
    switchClosed: (sw) => exports.ov_switch_closed(sw) !== 0,
    encoderEdge: exports.ov_encoder_edge,
    layerActive: (layer) => exports.ov_layer_active(layer) !== 0,
    answers,
    levels,
  };
}
