import { beforeAll, describe, expect, it } from "vitest";
import { buildNative, play, workFolder } from "./builds";
import { readExample } from "./examples";

// Two direct keys on sense lines 0 and 1; pressed reads low.
const { design } = readExample(`key A: KeyA
key B: KeyB
at 0 press A
gives`);

describe("a busy endpoint", () => {
  let program = "";
  beforeAll(() => {
    program = buildNative("gcc", design, workFolder());
  });
  const reports = (...script: string[]) =>
    play(program, [], `${script.join("\n")}\n`)
      .output.trim()
      .split("\n");

  it("gets the newest state as soon as it takes reports again", () => {
    expect(reports("5 busy 1", "10 sense - 0 fffe", "40 busy 0", "90 end")).toEqual([
      "40 keyboard 0000040000000000",
      "end",
    ]);
  });

  it("gets no backlog: of what came and went meanwhile the first report waited, and the newest follows", () => {
    const script = ["5 busy 1", "10 sense - 0 fffe", "30 sense - 0 fffd", "45 sense - 0 fffc", "60 busy 0", "90 end"];
    expect(reports(...script)).toEqual(["60 keyboard 0000040000000000", "60 keyboard 0000040500000000", "end"]);
  });

  it("gets a press that waited and is over", () => {
    expect(reports("5 busy 1", "10 sense - 0 fffe", "30 sense - 0 ffff", "60 busy 0", "90 end")).toEqual([
      "60 keyboard 0000040000000000",
      "60 keyboard 0000000000000000",
      "end",
    ]);
  });

  it("gets nothing of what waited before a reset", () => {
    expect(reports("5 busy 1", "10 sense - 0 fffe", "20 reset", "60 busy 0", "90 end")).toEqual([
      "60 keyboard 0000040000000000",
      "end",
    ]);
  });

  it("says where a script cannot be followed", () => {
    expect(() => reports("10 sense - 0 fffe", "5 end")).toThrow(/line 2 of the script: cannot follow "5 end/);
    expect(() => reports("10 dance")).toThrow(/line 1 of the script/);
  });
});
