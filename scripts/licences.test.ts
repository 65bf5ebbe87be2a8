import { existsSync, readFileSync } from "node:fs";
import { describe, expect, it } from "vitest";
import { root } from "./prepare.mjs";

interface Package {
  license?: string;
  dependencies?: Record<string, string>;
}
const read = (path: string) => JSON.parse(readFileSync(`${root}${path}`, "utf8")) as Package;
const page = readFileSync(`${root}docs/licences.md`, "utf8");
const own = read("package.json");

describe("licences", () => {
  it("of Ovrin itself stands in full", () => {
    expect(own.license).toBe("MIT");
    expect(readFileSync(`${root}LICENSE`, "utf8")).toMatch(/^MIT License\n/);
  });

  it.each(Object.keys(own.dependencies!))("of %s is listed as it says itself", (name) => {
    const { license } = read(`node_modules/${name}/package.json`);
    const row = page.split("\n").find((line) => line.startsWith(`| ${name} `));
    expect(row?.split("|")[2].trim()).toBe(license);
  });

  it("of the fonts lie beside them", () => {
    for (const name of Object.keys(own.dependencies!).filter((one) => one.startsWith("@fontsource")))
      expect(existsSync(`${root}node_modules/${name}/LICENSE`)).toBe(true);
  });
});
