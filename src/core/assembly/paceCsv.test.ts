import { describe, expect, it } from "vitest";
import { type PaceLine, paceCsv, readPaceCsv } from "./paceCsv";

const lines: PaceLine[] = [
  { key: "loom-64 rows left R1", at: "2026-11-02T18:00:00.000Z", sort: "wire", units: 5, minutes: 8.25, device: 1 },
  { key: 'a "b", c', at: "2026-11-02T18:10:00.000Z", sort: "cap", units: 32, minutes: 6, device: 2 },
];

describe("the log of one's own steps", () => {
  it("is read back as it was written, also with signs of the format in it", () => {
    expect(readPaceCsv(paceCsv(lines))).toEqual({ lines, problems: [] });
    expect(readPaceCsv(`\ufeff${paceCsv(lines)}`).lines).toEqual(lines);
    expect(readPaceCsv(paceCsv([]))).toEqual({ lines: [], problems: [] });
  });

  it("tells what it cannot read by its line, and takes the rest", () => {
    const bad = [
      "at,step,sort,units,minutes,device",
      "x,s1,wire,5,8,1",
      "x,s2,knitting,5,8,1",
      "x,s3,constructor,5,8,1",
      "x,s4,wire,5,-1,1",
      "x,s5,wire,,8,1",
      "x,s6,wire,5,1e99,1",
    ].join("\n");
    const { lines: read, problems } = readPaceCsv(bad);
    expect(read.map(({ key }) => key)).toEqual(["s1"]);
    expect(problems.map(({ line }) => line)).toEqual([3, 4, 5, 6, 7]);
    expect(problems[0].message).toBe('"knitting" is no sort of step');
    expect(readPaceCsv("a,b\n1,2").problems[0]).toMatchObject({ line: 1 });
    expect(readPaceCsv("").lines).toEqual([]);
  });
});
