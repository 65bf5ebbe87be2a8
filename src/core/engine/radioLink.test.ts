import { describe, expect, it } from "vitest";
import { finishedPad } from "../../../tests/support/designs";
import { addControl } from "../edits/controls";
import { setInterfaces, setPacket } from "../edits/reportSet";
import { wireAs } from "../edits/wiring";
import { type PacketCheck, type PacketSettings, framings, usualPacket } from "../hid/packetSettings";
import { randomFrom } from "../optimisation/random";
import type { Device } from "./device";
import { bringInlineRuntime } from "./inlineRuntime";
import { deviceOf } from "./preparedDevice";
import { type Air, RadioLink, clearAir } from "./radioLink";

function handset(change: Partial<PacketSettings>) {
  const placed = addControl(finishedPad(), "radio", "r1", { xMm: 200, yMm: 0, rotationDeg: 0, boardId: "panel" });
  const wired = setPacket(wireAs(placed, "spi-radio", ["r1:radio"]), { ...usualPacket, ...change });
  return setInterfaces(wired, ["keyboard", "panel"]);
}

/** Keys roll for so long; what the air does to the packets. */
function rolled(change: Partial<PacketSettings>, air: Air, ms = 6000) {
  bringInlineRuntime();
  const design = handset({ gapMs: 1, everyMs: 20, ...change });
  const link = RadioLink.of(design, randomFrom(7))!;
  const answers: (Uint8Array | null)[] = [];
  const device: Device = deviceOf(design, {
    radio: (atMs, bytes) => answers.push(link.send(atMs, bytes, air, new Array<number>(16).fill(1))),
  });
  const keys = design.controls.flatMap(({ id, kind }) => (kind === "key" ? [`${id}:press`] : []));
  for (let atMs = 20; atMs < ms; atMs += 40) {
    const key = keys[((atMs / 40) % keys.length) | 0];
    device.press(key, true, atMs);
    device.press(key, false, atMs + 25);
  }
  device.runUntil(ms);
  return { ...link.heard.counts, answers, packets: link.heard.packets, device };
}

describe("the air behind a radio", () => {
  it.each(framings)("takes everything there when it is clear (%s)", (framing) => {
    const { sent, taken, refused, wrong, missed, lost, spoilt } = rolled({ framing }, clearAir);
    expect(sent).toBeGreaterThan(250);
    expect({ taken, refused, wrong, missed, lost, spoilt }).toEqual({
      ...{ taken: sent, refused: 0, wrong: 0, missed: 0, lost: 0, spoilt: 0 },
    });
  });

  it("tells lost packets by their numbers, all but those after the last that came", () => {
    const { sent, lost, taken, missed } = rolled({}, { spoiltIn: 0, lostIn: 10 });
    expect(lost).toBeGreaterThan(15);
    expect(taken).toBe(sent - lost);
    expect(lost - missed).toBeGreaterThanOrEqual(0);
    expect(lost - missed).toBeLessThan(3);
    expect(rolled({ counter: false }, { spoiltIn: 0, lostIn: 10 }).missed).toBe(0);
  });

  it.each(framings)("hands on what is wrong where nothing is checked, and hardly ever behind a CRC (%s)", (framing) => {
    const air = { spoiltIn: 20, lostIn: 0 };
    const wrongWith = (check: PacketCheck) => rolled({ framing, check }, air).wrong;
    expect(wrongWith("none")).toBeGreaterThan(15);
    expect(wrongWith("crc16")).toBe(0);
    expect(wrongWith("crc8")).toBeLessThan(4);
  });

  it("accounts for each packet that stands alone", () => {
    const { sent, taken, refused, lost, spoilt } = rolled({}, { spoiltIn: 20, lostIn: 8 });
    expect(taken + refused + lost).toBe(sent);
    expect(refused).toBe(spoilt);
  });

  it("brings back what the computer tells, spoilt too, which the device then does not take", () => {
    const { answers, device } = rolled({ answers: true, check: "crc16" }, { spoiltIn: 30, lostIn: 0 });
    const came = answers.flatMap((answer) => (answer ? [answer] : []));
    expect(came.length).toBeGreaterThan(80);
    const isWhole = (answer: Uint8Array) => answer.slice(0, 16).every((byte) => byte === 1);
    expect(came.some((answer) => !isWhole(answer))).toBe(true);
    for (const answer of came) if (isWhole(answer) === false) expect(device.radioAnswered(answer)).toBe(false);
    expect(device.radioAnswered(came.find(isWhole)!)).toBe(true);
    expect(rolled({ answers: false }, clearAir).answers.every((answer) => answer === null)).toBe(true);
  });

  it("keeps the last packets only", () => expect(rolled({}, clearAir).packets).toHaveLength(40));
  it("is not there without a radio", () => expect(RadioLink.of(finishedPad(), randomFrom(1))).toBeNull());
});
