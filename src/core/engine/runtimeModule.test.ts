import { readFileSync } from "node:fs";
import { describe, expect, it } from "vitest";
import { RUNTIME_WASM_HEX } from "./runtimeWasm.generated";

describe("the compiled firmware", () => {
  it("is the same as a file for the browser and in the program", () => {
    const file = readFileSync(new URL("./runtime.generated.wasm", import.meta.url));
    expect(file.toString("hex") === RUNTIME_WASM_HEX).toBe(true);
    expect(WebAssembly.Module.exports(new WebAssembly.Module(file)).map(({ name }) => name)).toContain("ov_scan");
  });
});
