import { describe, expect, it } from "vitest";
import { usualTelling } from "@/core/circuits/displayTelling";
import type { DisplayPage } from "@/core/document/displayPages";
import { changeControl } from "@/core/edits/controls";
import { setPage } from "@/core/edits/displays";
import { wireAs } from "@/core/edits/wiring";
import { simulate } from "@/core/engine/simulate";
import { rowOf } from "../support/litRows";

/**
 * Source: a remembered value: commands of the common controllers for small displays of one bit, by their first byte, with how many bytes belong to
 * each ("from memory"). Behind 0x00 come commands, behind 0x40 dots, eight to a byte, the lowest bit on top.
 */
const ARGUMENTS: [from: number, to: number, count: number][] = [
  [0x00, 0x1f, 0],
  [0x20, 0x20, 1],
  [0x21, 0x22, 2],
  [0x40, 0x7f, 0],
  [0x81, 0x81, 1],
  [0x8d, 0x8d, 1],
  [0xa0, 0xa1, 0],
  [0xa4, 0xa7, 0],
  [0xa8, 0xa8, 1],
  [0xae, 0xaf, 0],
  [0xb0, 0xb7, 0],
  [0xc0, 0xc8, 0],
  [0xd3, 0xd3, 1],
  [0xd5, 0xd5, 1],
  [0xd9, 0xda, 1],
  [0xdb, 0xdb, 1],
];

/** A controller of that class: its registers by command, whether it is on, and its dots. */
class Controller {
  readonly set = new Map<number, number>();
  readonly dots = Array.from({ length: 64 }, () => new Uint8Array(128).fill(1)); // any how at the start
  isOn = false;
  private page = 0;
  private column = 0;

  take(frame: Uint8Array): void {
    if (frame[0] === 0x40) return frame.subarray(1).forEach((byte) => this.draw(byte));
    if (frame[0] !== 0x00) throw new Error(`a frame that begins with ${frame[0]}`);
    for (let at = 1; at < frame.length;) {
      const known = ARGUMENTS.find(([from, to]) => frame[at] >= from && frame[at] <= to);
      if (!known) throw new Error(`no command ${frame[at].toString(16)}`);
      if (at + known[2] >= frame.length) throw new Error(`command ${frame[at].toString(16)} is cut off`);
      this.obey(frame[at], frame[at + known[2]]);
      at += 1 + known[2];
    }
  }

  private obey(command: number, value: number): void {
    if (command <= 0x0f) this.column = (this.column & 0xf0) | command;
    else if (command <= 0x1f) this.column = (this.column & 0x0f) | ((command & 0x0f) << 4);
    else if (command >= 0xb0 && command <= 0xb7) this.page = command & 7;
    else if (command === 0xae || command === 0xaf) this.isOn = command === 0xaf;
    else this.set.set(command, value);
  }

  private draw(byte: number): void {
    for (let bit = 0; bit < 8; bit++) this.dots[8 * this.page + bit][this.column] = (byte >> bit) & 1;
    this.column = (this.column + 1) % 128;
  }

  rows(): string[] {
    return this.dots.map((row) => [...row].map((dot) => (dot ? "#" : ".")).join(""));
  }
}

function shown(heightPx: number, page: DisplayPage): Controller {
  const display = changeControl(rowOf("display", 1, "small-5v-18"), "c0", { widthPx: 128, heightPx });
  const design = setPage(wireAs(display, "bus-displays", ["c0:display"]), "base", "c0", page);
  const controller = new Controller();
  const run = simulate(
    design,
    { events: [], untilMs: 1000 },
    { display: (_, nth, frame) => nth === 0 && controller.take(frame) },
  );
  expect(run.ok).toBe(true);
  return controller;
}

describe("a display of the common class, told as is usual", () => {
  it.each([64, 32])("of %i rows is switched on, addressed by pages, with all its rows", (heightPx) => {
    const { set, isOn } = shown(heightPx, []);
    expect(isOn).toBe(true);
    expect(set.get(0x20)).toBe(2);
    expect(set.get(0xa8)).toBe(heightPx - 1);
    expect(set.get(0x8d)).toBe(0x14);
    expect(usualTelling(heightPx).before).toBe(0x40);
  });

  it("shows signs as a dot matrix of five by seven has them (common practice; this font is the test's own)", () => {
    const rows = shown(64, [{ shows: "text", column: 10, row: 3, columns: 60, text: "T-1.5L" }]).rows();
    const at = (row: number, from: number, to: number) => rows[24 + row].slice(10 + from, 10 + to);
    const letters: Record<string, [number, string[]]> = {
      T: [0, ["#####", "..#..", "..#..", "..#..", "..#..", "..#..", "..#.."]],
      "-": [6, [".....", ".....", ".....", "#####", ".....", ".....", "....."]],
      "1": [12, ["..#..", ".##..", "..#..", "..#..", "..#..", "..#..", ".###."]],
      ".": [18, [".....", ".....", ".....", ".....", ".....", ".##..", ".##.."]],
      "5": [24, ["#####", "#....", "####.", "....#", "....#", "#...#", ".###."]],
      L: [30, ["#....", "#....", "#....", "#....", "#....", "#....", "#####"]],
    };
    for (const [, [from, art]] of Object.entries(letters))
      art.forEach((row, nth) => expect(at(nth, from, from + 5)).toBe(row));
    const lit = rows.join("").replaceAll(".", "").length;
    const drawn = Object.values(letters).reduce((sum, [, art]) => sum + art.join("").replaceAll(".", "").length, 0);
    expect(lit).toBe(drawn);
  });

  it("leaves no dot of its start, however its memory was", () => {
    const controller = shown(64, []);
    expect(controller.rows().join("")).not.toContain("#");
  });
});
