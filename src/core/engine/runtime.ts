import { type InterfaceKind, interfaceKinds } from "../hid/interfaces";
import { RUNTIME_WASM_HEX } from "./runtimeWasm.generated";

/** What the firmware calls out for. */
export interface RuntimeHost {
  report(kind: InterfaceKind, bytes: Uint8Array): void;
  lamp(line: number, on: boolean): void;
}

/** The firmware, compiled to WebAssembly, with one device's tables. */
export interface Runtime {
  init(): void;
  scan(): void;
  hostLocks(bits: number): void;
  switchClosed(switchNumber: number): boolean;
  layerActive(layer: number): boolean;
  /** Answers of the electrical world: word of a bank while a strobe is driven, at (strobe + 1) · 8 + bank. */
  answers: Uint16Array;
}

interface Exports {
  memory: WebAssembly.Memory;
  ov_init(): void;
  ov_scan(): void;
  ov_host_locks(bits: number): void;
  ov_switch_closed(sw: number): number;
  ov_layer_active(layer: number): number;
  ov_tables_place(): number;
  ov_answers_place(): number;
}

/** As firmware/hal/wasm/hal_wasm.c has it. */
const STROBES = 64;
export const BANKS = 8;
const TABLE_BYTES = 32768;

const fromHex = (hex: string) => {
  const bytes = new Uint8Array(hex.length / 2);
  for (let i = 0; i < bytes.length; i++) bytes[i] = parseInt(hex.slice(2 * i, 2 * i + 2), 16);
  return bytes;
};

let compiled: WebAssembly.Module | undefined;

/** Starts the firmware on a device's tables. The module is a few kilobytes, so compiling it at once is fine. */
export function startRuntime(tables: Uint8Array, host: RuntimeHost): Runtime {
  if (tables.length > TABLE_BYTES)
    throw new RangeError(`tables of ${tables.length} bytes; there is room for ${TABLE_BYTES}`);
  compiled ??= new WebAssembly.Module(fromHex(RUNTIME_WASM_HEX));
  const instance = new WebAssembly.Instance(compiled, {
    host: {
      report: (kind: number, place: number, length: number) =>
        host.report(interfaceKinds[kind], new Uint8Array(exports.memory.buffer, place, length).slice()),
      lamp: (line: number, on: number) => host.lamp(line, on !== 0),
    },
  });
  const exports = instance.exports as unknown as Exports;
  new Uint8Array(exports.memory.buffer, exports.ov_tables_place(), TABLE_BYTES).set(tables);
  const answers = new Uint16Array(exports.memory.buffer, exports.ov_answers_place(), (STROBES + 1) * BANKS);
  answers.fill(0xffff);
  exports.ov_init();
  return {
    init: exports.ov_init,
    scan: exports.ov_scan,
    hostLocks: exports.ov_host_locks,
    switchClosed: (sw) => exports.ov_switch_closed(sw) !== 0,
    layerActive: (layer) => exports.ov_layer_active(layer) !== 0,
    answers,
  };
}
