import { bringRuntime, hasRuntime } from "@/core/engine/runtimeModule";

/** The firmware is fetched as a file beside the scripts, when a device is first started. */
export async function fetchRuntime(): Promise<void> {
  if (hasRuntime()) return;
  const answer = await fetch(new URL("../core/engine/runtime.generated.wasm", import.meta.url));
  if (!answer.ok) throw new Error(`the simulated device could not be fetched (${answer.status})`);
  bringRuntime(await WebAssembly.compile(await answer.arrayBuffer()));
}
