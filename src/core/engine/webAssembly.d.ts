/** The part of the WebAssembly interface that the core uses (W3C WebAssembly JavaScript Interface); it is no DOM API. */
declare namespace WebAssembly {
  interface Memory {
    readonly buffer: ArrayBuffer;
  }
  class Module {
    constructor(bytes: Uint8Array<ArrayBuffer>);
  }
  class Instance {
    constructor(module: Module, imports: Record<string, Record<string, (...values: number[]) => number | void>>);
    readonly exports: Record<string, unknown>;
  }
}
