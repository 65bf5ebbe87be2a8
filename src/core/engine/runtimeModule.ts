/** The firmware as it was compiled, once somebody has brought it. */
let brought: WebAssembly.Module | null = null;

/**
 * Hands over the compiled firmware. How its bytes come differs: the browser fetches them as a file, beside its scripts;
 * where there is no network they come with the program (`inlineRuntime`).
 */
export function bringRuntime(module: WebAssembly.Module): void {
  brought = module;
}

export const hasRuntime = (): boolean => brought !== null;

/** @throws Error when nobody has brought it. */
export function runtimeModule(): WebAssembly.Module {
  if (!brought) throw new Error("the runtime has not been brought");
  return brought;
}
