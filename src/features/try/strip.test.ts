import { describe, expect, it } from "vitest";
import type { TimedReport } from "@/core/engine/device";
import { lanesOf } from "./lanes";
import { REPORT_ROWS, packReports } from "./packReports";

const report = (atMs: number, ...bytes: number[]): TimedReport => ({
  atMs,
  interface: "keyboard",
  bytes: Uint8Array.from([...bytes, 0, 0, 0, 0, 0, 0, 0, 0].slice(0, 8)),
});

describe("reports on the strip", () => {
  it("are shortened by their trailing zeros only", () => {
    const words = (...bytes: number[]) => packReports([report(0, ...bytes)], (ms) => ms)[0].words;
    expect(words()).toBe("00 00 00 …");
    expect(words(2, 0, 4)).toBe("02 00 04 …");
    expect(words(0, 0, 1, 1, 1, 1, 1, 1)).toBe("00 00 01 01 01 01 01 01");
  });

  it("never run into each other, and become marks when there is no room", () => {
    const many = Array.from({ length: 12 }, (_, nth) => report(nth * 10, 0, 0, 4));
    const packed = packReports(many, (ms) => ms);
    for (const one of packed) {
      for (const other of packed) {
        if (one === other || one.row === null || one.row !== other.row) continue;
        expect(Math.abs(one.atPx - other.atPx)).toBeGreaterThan(one.words.length * 6);
      }
    }
    expect(packed.filter((one) => one.row === null).length).toBeGreaterThan(0);
    expect(new Set(packed.map((one) => one.row)).size).toBe(REPORT_ROWS + 1);
  });
});

describe("lanes of the strip", () => {
  const change = (atMs: number, id: string, on: boolean) => ({ atMs, id, on });
  const name = (id: string) => id.toUpperCase();

  it("start in the state that the last change before the window left", () => {
    const contacts = [change(10, "a", true), change(90, "a", false)];
    const [lane] = lanesOf({ contacts, debounced: [change(15, "a", true)], layers: [] }, 50, name, String);
    expect(lane).toMatchObject({ id: "a", label: "A", rawStartsOn: true, settledStartsOn: true });
  });

  it("show a ghost that no contact made", () => {
    const lanes = lanesOf(
      { contacts: [change(1, "a", true)], debounced: [change(6, "d", true)], layers: [] },
      0,
      name,
      String,
    );
    expect(lanes.map((lane) => lane.id)).toEqual(["a", "d"]);
  });

  it("name layers below the contacts", () => {
    const lanes = lanesOf(
      { contacts: [change(1, "a", true)], debounced: [], layers: [change(6, "1", true)] },
      0,
      name,
      (index) => `layer ${index}`,
    );
    expect(lanes.map((lane) => lane.label)).toEqual(["A", "layer 1"]);
  });
});
