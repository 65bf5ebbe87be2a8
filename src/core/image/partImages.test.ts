import { strFromU8, unzipSync } from "fflate";
import { describe, expect, it } from "vitest";
import { demoDesigns } from "../../../demo";
import { finishedPad, keyBlock } from "../../../tests/support/designs";
import { inTwo, loom, onTwo } from "../../../tests/support/twoParts";
import { BOARD_AT, BOARD_ENTRY_BYTES, BOARD_PART, LEVEL_AT } from "../contract/board";
import { crc16 } from "../contract/crc16";
import { derive } from "../derived/derive";
import { onHalf } from "../derived/halves";
import { removePartLink } from "../edits/controllers";
import { addControl } from "../edits/controls";
import { chooseController, movePin } from "../edits/pins";
import { shareOutDirect, wireAs } from "../edits/wiring";
import { edgeEncoders } from "../firmware/edgeEncoders";
import type { Design } from "../document/schema";
import { bankCount, scanTableOf } from "../firmware/scanTable";
import { firmwareFits } from "../formats/firmwareFit";
import { artifactNamed } from "../exports/registry";
import { flashImageFile } from "../formats/flashImageFile";
import { ownLines } from "../firmware/ownLines";
import { tableBytes } from "../firmware/tables";
import { boardBlock } from "./boardBlock";
import { usb8Pins } from "./usb8Pins";
import { flashImage } from "./flashImage";
import { usb8Code } from "./usb8Code";

const design = onTwo(chooseController(loom, "small-5v-18"));
const scan = scanTableOf(design);

function partsOf(of: Design, part: number): Uint8Array[] {
  const image = flashImage(of, usb8Code(of), part);
  if (!image.ok) throw new Error(JSON.stringify(image.problems));
  return image.value.parts.map(({ bytes }) => Uint8Array.from(bytes));
}
const word = (bytes: Uint8Array, at: number) => bytes[at] | (bytes[at + 1] << 8);
const pinOf = (netId: string, part: number) =>
  usb8Pins(derive(design).controllers[part].profile!).pin(design.pinPlan[netId].pin)!;
const ownerOf = (netId: string) =>
  design.controllers.findIndex(({ id }) => id === derive(design).netById.get(netId)!.controllerId);

describe("finished images of a device of two parts", () => {
  it("have the same code and the same tables, and a board of their own each", () => {
    const [near, far] = [0, 1].map((part) => partsOf(design, part));
    expect(near[0]).toEqual(far[0]);
    expect(near[2]).toEqual(far[2]);
    expect(near[1]).not.toEqual(far[1]);
    expect([near, far].map(([, board]) => board[BOARD_AT.PART])).toEqual([0, 1]);
    for (const [, board] of [near, far])
      expect(crc16(Array.from(board.slice(0, -2)))).toBe(word(board, board.length - 2));
  });

  it.each([0, 1])("give part %i the pins of its own lines, by the numbers of the whole device", (part) => {
    const [, board] = partsOf(design, part);
    const strobesAt = word(board, BOARD_AT.STROBE_TABLE);
    scan.strobeLines.forEach((net, nth) => {
      const at = strobesAt + BOARD_ENTRY_BYTES.STROBE * nth;
      expect([...board.slice(at, at + 2)]).toEqual(ownerOf(net) === part ? pinOf(net, part) : [0, 0]);
    });
    expect(new Set(scan.strobeLines.map(ownerOf))).toEqual(new Set([0, 1]));
    const banksAt = word(board, BOARD_AT.BANK_TABLE);
    expect(bankCount(scan)).toBe(1);
    scan.senseLines.forEach((net, nth) => {
      const at = banksAt + 1 + 2 * nth;
      const high = [LEVEL_AT.ALWAYS_HIGH, 0xff];
      const isHigh = board[at] === high[0] && board[at + 1] === high[1];
      expect(isHigh).toBe(ownerOf(net) !== part);
    });
  });

  it.each([0, 1])("start part %i with its own pins and no other, the line's transmitter high", (part) => {
    const [, board] = partsOf(design, part);
    const started: string[] = [];
    for (let at = word(board, BOARD_AT.START_TABLE); board[at] !== 0; at += BOARD_ENTRY_BYTES.START)
      started.push([...board.slice(at, at + 3)].join(" "));
    const own = derive(design).netsFor(design.controllers[part].id);
    expect(started.map((pin) => pin.split(" ").slice(0, 2).join(" ")).sort()).toEqual(
      own.map(({ id }) => pinOf(id, part).join(" ")).sort(),
    );
    const sends = own.find(({ id }) => id.endsWith(".sends"))!;
    const receives = own.find(({ id }) => id.endsWith(".receives"))!;
    expect(started).toContain(`${pinOf(sends.id, part).join(" ")} 3`);
    expect(started).toContain(`${pinOf(receives.id, part).join(" ")} 1`);
  });

  it("are told to be impossible where a part is of another class, or the line lies on another pin", async () => {
    const mixed = onHalf(design.controllers[1].id, (half) => chooseController(half, "dual-core-3v3-26"))(design);
    const image = flashImage(mixed, usb8Code(mixed));
    expect(image.ok ? "" : image.problems[0].message).toMatch(/in Right half; a finished image is made for the two/);
    const sends = derive(design)
      .netsFor(design.controllers[1].id)
      .find(({ id }) => id.endsWith(".sends"))!;
    const moved = movePin(design, sends.id, "P10");
    const made = await flashImageFile.make(moved);
    expect(made.ok ? "" : made.problems.map(({ message }) => message).join()).toMatch(
      /LINK-FAR sends on P10, which is no serial transmitter; put it on P1/,
    );
    expect(firmwareFits(moved).find(({ id }) => id === "flash-image")!.refusal).toMatch(/no serial transmitter/);
    expect(firmwareFits(design).find(({ id }) => id === "flash-image")!.refusal).toBeNull();
  });

  it("are told to want a line between the parts, as are the project and Python", async () => {
    for (const classId of ["small-5v-18", "dual-core-3v3-26"]) {
      const joined = onTwo(chooseController(loom, classId));
      const apart = removePartLink(joined, joined.partLinks![0].id);
      const asked = ["flash-image", "firmware-project", "firmware-python"].filter(
        (id) => firmwareFits(joined).find((fit) => fit.id === id)!.refusal === null,
      );
      expect(asked).toHaveLength(2);
      for (const id of asked) {
        expect(firmwareFits(apart).find((fit) => fit.id === id)!.refusal).toMatch(
          /^has no line to Right half; join it/,
        );
        expect((await artifactNamed(id)!.make(apart)).ok).toBe(false);
      }
    }
  });

  it("come as an archive with a file for each part", async () => {
    const made = await flashImageFile.make(design);
    if (!made.ok) throw new Error(JSON.stringify(made.problems));
    expect(made.value.fileName).toBe("loom-64-images.zip");
    const files = unzipSync(made.value.bytes);
    expect(Object.keys(files)).toEqual(["loom-64-images/1-left-half.hex", "loom-64-images/2-right-half.hex"]);
    const texts = Object.values(files).map((bytes) => strFromU8(bytes));
    expect(texts[0]).not.toBe(texts[1]);
    for (const text of texts) expect(text.trimEnd().split("\n").at(-1)!.trim()).toBe(":00000001FF");
  });
});

/** Bytes of each entry of a table of the block. */
const entries = (block: Uint8Array, at: number, bytes: number, count: number) =>
  Array.from({ length: count }, (_, nth) => [...block.slice(at + bytes * nth, at + bytes * (nth + 1))]);

describe.each(demoDesigns)("board blocks of $name in two parts", (demo) => {
  const two = inTwo(chooseController(demo, "small-5v-18"));
  const numbers = scanTableOf(two);
  const blocks = [0, 1].map((part) => {
    const { profile } = derive(two).controllers[part];
    const block = boardBlock(two, numbers, tableBytes(numbers, two), usb8Pins(profile!), part);
    if (!block.ok) throw new Error(JSON.stringify(block.problems));
    return block.value;
  });

  it("drive each lamp, chain and display, and read each voltage, in one of them", () => {
    const tables = [
      ["LAMP_TABLE", BOARD_ENTRY_BYTES.LAMP, numbers.lampLines.length],
      ["LIGHT_TABLE", BOARD_ENTRY_BYTES.LIGHT, numbers.chains.length],
      ["SEGMENT_TABLE", BOARD_ENTRY_BYTES.SEGMENT, numbers.segmentChains.length],
      ["DISPLAY_TABLE", BOARD_ENTRY_BYTES.DISPLAY, numbers.displays.length],
      ["STROBE_TABLE", BOARD_ENTRY_BYTES.STROBE, numbers.strobeLines.length],
    ] as const;
    for (const [field, bytes, count] of tables) {
      const both = blocks.map((block) => entries(block, word(block, BOARD_AT[field]), bytes, count));
      for (let nth = 0; nth < count; nth++)
        expect(both.filter((all) => all[nth].some((byte) => byte > 0)).length, `${field} ${nth}`).toBe(1);
    }
    const isOwn = [0, 1].map((part) => ownLines(two, numbers, part));
    for (const id of numbers.sensors) expect(isOwn.filter((own) => own(id)).length).toBe(1);
  });
});

describe("added parts, knobs, voltages and sounders of a device in two parts", () => {
  const blocksOf = (two: Design): Uint8Array[] => {
    const numbers = scanTableOf(two);
    return [0, 1].map((part) => {
      const { profile } = derive(two).controllers[part];
      const block = boardBlock(two, numbers, tableBytes(numbers, two), usb8Pins(profile!), part);
      if (!block.ok) throw new Error(JSON.stringify(block.problems));
      return block.value;
    });
  };
  const small = (design: Design) => inTwo(chooseController(design, "small-5v-18"));
  const kindsOf = (block: Uint8Array): number[] => {
    const kinds: number[] = [];
    for (let at = word(block, BOARD_AT.PART_TABLE); block[at] !== BOARD_PART.END; at += 2 + block[at + 1])
      kinds.push(block[at]);
    return kinds;
  };

  it("have a ladder each where each half has one", () => {
    const keys = keyBlock(4, 2);
    const two = small(wireAs(keys, "ladder", [...derive(keys).elements.keys()]));
    expect(scanTableOf(two).ladders).toHaveLength(2);
    expect(blocksOf(two).map(kindsOf)).toEqual([[BOARD_PART.LADDER], [BOARD_PART.LADDER]]);
  });

  it("hear the edges of their own knobs alone", () => {
    const two = small(demoDesigns.find(({ id }) => id === "kestrel")!);
    const told = blocksOf(two).flatMap((block, part) =>
      entries(block, word(block, BOARD_AT.EDGE_TABLE), BOARD_ENTRY_BYTES.EDGE, block[BOARD_AT.EDGE_ENCODERS]).map(
        ([number, ...pins]) => {
          expect(pins[0]).toBeGreaterThan(0);
          expect(pins[2]).toBeGreaterThan(0);
          return [number, part];
        },
      ),
    );
    const { encoders, parts } = scanTableOf(two);
    expect(encoders.length).toBeGreaterThan(1);
    expect(told).toEqual(told.map(([number]) => [number, number < parts[0].encoders ? 0 : 1]));
    expect(new Set(told.map(([number]) => number)).size).toBe(edgeEncoders(two, scanTableOf(two)).length);
  });

  it("ask no pins for a voltage behind the other one's multiplexer", () => {
    const demo = demoDesigns.find(({ id }) => id === "kestrel")!;
    const voltages = scanTableOf(demo).sensors;
    const two = small(wireAs(demo, "multiplexer", voltages));
    const numbers = scanTableOf(two);
    const isOwn = [0, 1].map((part) => ownLines(two, numbers, part));
    expect(numbers.sensors.some((id) => numbers.access[id]?.by === "voltage")).toBe(true);
    for (const [part, block] of blocksOf(two).entries()) {
      const all = entries(block, word(block, BOARD_AT.SENSE_TABLE), BOARD_ENTRY_BYTES.SENSE, numbers.sensors.length);
      for (const [nth, id] of numbers.sensors.entries())
        if (!isOwn[part](id)) expect(all[nth].every((byte) => byte === 0)).toBe(true);
    }
  });

  it("may have a sounder with a tone each, for each has a timer of its own", () => {
    const at = { xMm: 90, yMm: 40, rotationDeg: 0, boardId: "panel" };
    const loud = addControl(addControl(finishedPad(), "buzzer", "first", at), "buzzer", "second", { ...at, xMm: 120 });
    const two = small(shareOutDirect(loud));
    const { tones } = scanTableOf(two);
    expect(Object.keys(tones)).toHaveLength(2);
    const isOwn = ownLines(two, scanTableOf(two), 0);
    expect(Object.keys(tones).map(isOwn).sort()).toEqual([false, true]);
    const image = flashImage(two, usb8Code(two));
    expect(image.ok ? "" : image.problems.map(({ message }) => message).join()).not.toMatch(/sounders/);
  });
});
