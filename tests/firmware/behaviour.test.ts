import { describe, expect, it } from "vitest";
import { simulate } from "@/core/engine/simulate";
import { toHex } from "@/core/hex";
import { scanTableOf } from "@/core/firmware/scanTable";
import { FRAMES, behaviourExamples, behaviourPage, readExample } from "./examples";

const spaced = (hex: string) => hex.replace(/(..)(?=.)/g, "$1 ");

describe("docs/device-behaviour.md", () => {
  it("has all its examples read", () => {
    expect(behaviourExamples.length).toBeGreaterThan(10);
    expect(behaviourExamples.length).toBe(behaviourPage.split("```example").length - 1);
  });

  it.each(behaviourExamples)("$title", ({ body }) => {
    const { design, events, untilMs, expected } = readExample(body);
    const plan = scanTableOf(design);
    const seen: string[] = [];
    const run = simulate(
      design,
      { events, untilMs },
      {
        parts: body.split("\n").includes(FRAMES)
          ? {
              link: (atMs, part, bytes) => seen.push(`${atMs} frame ${part + 1} ${spaced(toHex(bytes))}`),
              asks: (atMs, _, module) => seen.push(`${atMs} asks module ${module}`),
              calls: (atMs, part) => seen.push(`${atMs} module ${part} calls`),
            }
          : {},
        report: (report) => seen.push(`${report.atMs} ${report.interface} ${spaced(toHex(report.bytes))}`),
        plug: (atMs, levels) => seen.push(`${atMs} plug ${levels.map(Number).join("")}`),
        din: (atMs, bytes) => seen.push(`${atMs} din ${spaced(toHex(bytes))}`),
        radio: (atMs, bytes) => seen.push(`${atMs} radio ${spaced(toHex(bytes))}`),
        lights: (atMs, chain, bytes) => seen.push(`${atMs} lights ${chain} ${spaced(toHex(bytes))}`),
        display: (atMs, display, bytes) => seen.push(`${atMs} display ${display} ${spaced(toHex(bytes))}`),
        segments: (atMs, chain, bytes) => seen.push(`${atMs} segments ${chain} ${spaced(toHex(bytes))}`),
        lamp: (atMs, line, on) => seen.push(`${atMs} lamp ${plan.lamps[line].controlId} ${on ? 1 : 0}`),
      },
    );
    expect(run.ok).toBe(true);
    expect(seen).toEqual(expected);
  });
});
