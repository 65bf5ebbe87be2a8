import { bringRuntime, hasRuntime } from "./runtimeModule";
import { RUNTIME_WASM_HEX } from "./runtimeWasm.generated";

const fromHex = (hex: string) => {
  const bytes = new Uint8Array(hex.length / 2);
  for (let i = 0; i < bytes.length; i++) bytes[i] = parseInt(hex.slice(2 * i, 2 * i + 2), 16);
  return bytes;
};

/** Brings the firmware that comes with the program. It is a few kilobytes, so compiling it at once is fine. */
export function bringInlineRuntime(): void {
  if (!hasRuntime()) bringRuntime(new WebAssembly.Module(fromHex(RUNTIME_WASM_HEX)));
}
