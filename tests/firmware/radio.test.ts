import { describe, expect, it } from "vitest";
import { derive } from "@/core/derived/derive";
import type { Design } from "@/core/document/schema";
import { wireAs } from "@/core/edits/wiring";
import { setPacket } from "@/core/edits/reportSet";
import { receiverOf } from "@/core/engine/packetReceiver";
import { recordScript } from "@/core/engine/script";
import { type PacketSettings, framings, packetChecks, usualPacket } from "@/core/hid/packetSettings";
import { randomFrom } from "@/core/optimisation/random";
import { buildAvr, buildNative, buildSimulator, play, workFolder } from "./builds";
import { readExample } from "./examples";
import { firstDifference } from "./firstDifference";
import { barePython, onBoard, onPythonClass, playPython, unpackPython } from "./python";
import { randomUse } from "./randomUse";
import { joined, recorded } from "./recordedUses";
import { recordContacts, later } from "./usbChip";

/** A handset: keys, a knob, a stick, a pot, and lamps that what comes back lights. */
const handset = readExample(`radio R: whole, with crc16, counter, keys, axes, knobs
${[..."ABCDEFGHI"].map((key) => `key ${key}: Key${key}`).join("\n")}
toggle T: KeyT
stick S
pot P
axis S x: dead 5 both
axis S y: dead 5 both
axis P: smooth 1
encoder E: clockwise KeyY, anticlockwise KeyZ
knob E: top 200
lamp L: told 3
lamp M: value E 3
at 0 answer 00`).design;

/** Each framing with each check value, and other parts, gaps and times. */
const packets: PacketSettings[] = framings.flatMap((framing, nth) =>
  packetChecks.map((check, more) => ({
    ...usualPacket,
    ...{ framing, check, counter: more !== 1, keys: nth + more !== 3, axes: more !== 2, knobs: nth !== 2 },
    ...{ wide: (nth + more) % 2 === 0, gapMs: [1, 7, 10, 30][more], everyMs: [0, 50, 20, 0][nth], answers: nth !== 1 },
    marks: { start: 0x00, separator: 0x80, end: 0x01, escape: 0xff },
  })),
);

const sent = (text: string) => text.split("\n").filter((line) => line.includes(" radio "));

/** Random answers, torn ones among them. */
function answered(use: ReturnType<typeof randomUse>, seed: number, bytes: number): ReturnType<typeof randomUse> {
  const random = randomFrom(seed);
  const events = Array.from({ length: 3 }, () => {
    const told = Array.from({ length: bytes }, () => (random() < 0.8 ? 0 : Math.floor(random() * 256)));
    const answer = told.map((byte) => byte.toString(16).padStart(2, "0")).join("");
    return { atMs: Math.floor(random() * use.untilMs), action: "answer" as const, answer };
  });
  return { ...use, events: [...use.events, ...events].sort((a, b) => a.atMs - b.atMs) };
}

function recordedAnswers(packet: PacketSettings, uses: number, of: (design: Design) => Design = (same) => same) {
  const design = of(setPacket(handset, packet));
  const runs = recorded(design, uses).map(({ use }, seed) => {
    const run = recordScript(design, answered(use, seed + 1, 16 + (seed % 3)));
    if (!run.ok) throw new Error(JSON.stringify(run.problems));
    return run.value;
  });
  return { design, ...joined(runs) };
}

/** A board's class has few converters: voltages are read through a multiplexer. */
function withPython(design: Design): Design {
  const voltages = [...derive(design).elements.values()].filter(({ kind }) => kind === "analog").map(({ id }) => id);
  return onPythonClass(wireAs(design, "multiplexer", voltages));
}

const all = packets.map((packet) => recordedAnswers(packet, 40));
const title = ({ framing, check }: PacketSettings) => `${framing} with ${check}`;

describe("a radio's packets in every build", () => {
  const folder = workFolder();

  it("are many", () => expect(all.every(({ expected }) => sent(expected).length > 100)).toBe(true));

  it.each([0, 5, 11, 15])("are the same by gcc (%i)", (nth) => {
    const { design, script, expected } = all[nth];
    expect(firstDifference(play(buildNative("gcc", design, folder), [], script).output, expected)).toBeNull();
  });

  it.each([6, 9])("are the same by clang, and on the simulated 8-bit core (%i)", (nth) => {
    const { design, script, expected } = all[nth];
    expect(firstDifference(play(buildNative("clang", design, folder), [], script).output, expected)).toBeNull();
    const onCore = play(buildSimulator(), [buildAvr(design, folder).binary], script);
    expect(firstDifference(onCore.output, expected)).toBeNull();
  });

  it.each([0, 5, 10, 15, 3])("are the same in Python (%i)", async (nth) => {
    const { design, script, expected } = recordedAnswers(packets[nth], 20, withPython);
    expect(firstDifference(playPython(await barePython(design), script).output, expected)).toBeNull();
  });

  it.each([1, 14])("are the same on a board that runs Python (%i)", async (nth) => {
    const design = withPython(setPacket(handset, packets[nth]));
    const uses = Array.from({ length: 12 }, (_, seed) => answered(later(randomUse(design, seed + 1, [])), seed, 16));
    const onIt = joined(uses.map((use) => recordContacts(design, use)));
    expect(firstDifference(onBoard(design, await unpackPython(design), onIt.script).output, onIt.expected)).toBeNull();
  });

  it.each(packets.map((packet, nth) => ({ title: title(packet), nth })))(
    "$title: a receiver takes each, in its order",
    ({ nth }) => {
      const { design, expected } = all[nth];
      for (const use of expected.split(/^end$/m)) {
        const receiver = receiverOf(design)!;
        sent(use).forEach((line, count) => {
          const bytes = Buffer.from(line.split(" ")[2], "hex");
          const [received, ...more] = receiver.take(bytes);
          expect(more).toEqual([]);
          expect(received).toMatchObject({ ok: true, number: packets[nth].counter ? count & 0xff : null });
        });
      }
    },
  );
});
