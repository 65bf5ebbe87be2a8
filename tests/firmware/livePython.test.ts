import { mkdirSync, readFileSync } from "node:fs";
import { join } from "node:path";
import { describe, expect, it } from "vitest";
import { finishedPad } from "../support/designs";
import { COMMAND, FRAME_AT, HELLO_AT, LIVE_STATE, SEAL, SLOT_BYTES, STATUS } from "@/core/contract/live";
import { scanTableOf } from "@/core/firmware/scanTable";
import { tableBytes } from "@/core/firmware/tables";
import { unlockSwitches } from "@/core/firmware/unlock";
import { toHex } from "@/core/hex";
import { type Change, frameOf, writeQuestions } from "@/core/live/frames";
import { workFolder } from "./builds";
import { contactsOf } from "./chipWiring";
import { onBoard, onPythonClass, unpackPython } from "./python";

const design = onPythonClass(finishedPad());
const scan = scanTableOf(design);
const tables = tableBytes(scan, design);
const tablesCrc = tables.at(-2)! | (tables.at(-1)! << 8);
const contacts = contactsOf(design);
const contactOf = (elementId: string) => contacts.findIndex((contact) => contact.startsWith(elementId));
const LETTER_Q = 0x14;
const change: Change = { layer: 0, input: 0, action: [2, 0, LETTER_Q, 0] };

/** Unlocks it, changes its first key, presses that, cuts the power, and presses it again; then says hello. */
function script(): string {
  const [one, other] = unlockSwitches(scan, design)!.map(contactOf);
  const lines: string[] = [];
  const at = (ms: number, what: string) => lines.push(`${ms} ${what}`);
  for (const contact of [one, other]) at(30, `contact ${contact} 1`);
  for (const contact of [one, other]) at(2200, `contact ${contact} 0`);
  writeQuestions([change], { sequence: 0, tablesCrc }).forEach((question, nth) =>
    at(2300 + 100 * nth, `ask ${toHex(frameOf(question, nth + 1))}`),
  );
  const press = (ms: number) => {
    at(ms, `contact ${contactOf(scan.switches[0])} 1`);
    at(ms + 40, `contact ${contactOf(scan.switches[0])} 0`);
  };
  press(2700);
  at(2800, "off");
  press(2900);
  at(3000, `ask ${toHex(frameOf({ command: COMMAND.HELLO }, 9))}`);
  at(3100, "end");
  return `${lines.join("\n")}\n`;
}

/** What came of it: answers of the frames, and how often Q went down before and after the power was off. */
async function played(...wanted: string[]) {
  const { output } = onBoard(design, await unpackPython(design), script(), ...wanted);
  const lines = output.split("\n").map((line) => line.split(" "));
  const answers = lines.filter(([, kind]) => kind === "live").map(([, , hex]) => Buffer.from(hex, "hex"));
  const presses = lines.filter(
    ([, kind, hex]) => kind === "keyboard" && hex.startsWith(`0000${LETTER_Q.toString(16)}`),
  );
  const before = presses.filter(([ms]) => Number(ms) < 2800).length;
  return { answers, before, after: presses.length - before };
}

describe("live changes on a board with an interpreter", () => {
  it("are in the next press and outlast the power in the board's small memory", async () => {
    const { answers, before, after } = await played();
    expect(answers.map((answer) => answer[FRAME_AT.STATUS])).toEqual(Array.from({ length: 4 }, () => STATUS.OK));
    expect({ before, after }).toEqual({ before: 1, after: 1 });
    expect(answers.at(-1)![HELLO_AT.CHANGES]).toBe(1);
    expect(answers.at(-1)![HELLO_AT.STATE] & LIVE_STATE.FORGETS).toBe(0);
  });

  it("outlast it in a file where the board has none", async () => {
    const drive = join(workFolder(), "drive");
    mkdirSync(drive);
    const { before, after } = await played("files", drive);
    expect({ before, after }).toEqual({ before: 1, after: 1 });
    const kept = readFileSync(join(drive, "kept0.bin"));
    expect([kept.length, kept[0]]).toEqual([SLOT_BYTES.KEYMAP, SEAL]);
  });

  it("work until the power is off where nothing can be written", async () => {
    const { before, after } = await played("files", join(workFolder(), "no such drive"));
    expect({ before, after }).toEqual({ before: 1, after: 0 });
  });
});
