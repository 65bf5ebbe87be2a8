import { describe, expect, it } from "vitest";
import { demoDesigns } from "../../../demo";
import { finishedPad, keyBlock } from "../../../tests/support/designs";
import { BOARD_AT, LOADER_AT } from "../contract/board";
import { crc16 } from "../contract/crc16";
import { derive } from "../derived/derive";
import { addControl } from "../edits/controls";
import { addLayer, bind } from "../edits/keymap";
import { adoptPinPlan, chooseController, clearPins } from "../edits/pins";
import { wireAs } from "../edits/wiring";
import type { Design } from "../document/schema";
import type { InterfaceKind } from "../hid/interfaceKinds";
import { planPins } from "../pins/planPins";
import { scanTableOf } from "../firmware/scanTable";
import { tableBytes } from "../firmware/tables";
import { flashImage } from "./flashImage";
import { codeOf, usb8Code } from "./usb8Code";
import { featuresOf } from "../firmware/features";
import { boardBytesMost, imageFor, imageWith, tableBytesMost, usb8Images } from "./usb8Images";

const planned = (design: Design) => adoptPinPlan(design, planPins(design));
const onSmall = (design: Design) => planned(chooseController(design, "small-5v-18"));
const partsOf = (design: Design) => {
  const image = flashImage(design, usb8Code(design));
  if (!image.ok) throw new Error(JSON.stringify(image.problems));
  return image.value;
};
const refusal = (design: Design) => {
  const image = flashImage(design, usb8Code(design));
  return image.ok ? "" : image.problems.map(({ message }) => message).join("; ");
};
const allKeys = (design: Design) => [...derive(design).elements.keys()];

describe("a finished image", () => {
  it.each(demoDesigns.map(onSmall))("of $name has its parts at their places, whole and within their room", (design) => {
    const { parts, sizes } = partsOf(design);
    const [code, board, tables] = parts;
    const image = imageFor(design, scanTableOf(design));
    expect(parts.map(({ at }) => at)).toEqual([0, image.boardAt, image.tablesAt]);
    expect(code.bytes.length).toBeLessThan(image.boardAt);
    expect(board.bytes.length).toBeLessThanOrEqual(boardBytesMost(image));
    expect(tables.bytes.length).toBeLessThanOrEqual(tableBytesMost(image));
    expect(sizes.arena).toBeLessThanOrEqual(sizes.arenaMost);
    for (const { bytes } of [board, tables]) {
      const all = Array.from(bytes);
      expect(crc16(all.slice(0, -2))).toBe(all.at(-2)! | (all.at(-1)! << 8));
    }
    expect([...Array.from(tables.bytes)]).toEqual([...tableBytes(scanTableOf(design), design)]);
    expect(Array.from(board.bytes).slice(BOARD_AT.TABLES_CRC, BOARD_AT.TABLES_CRC + 2)).toEqual(
      Array.from(tables.bytes).slice(-2),
    );
  });

  it.each(["ladder", "expander", "multiplexer", "input-registers", "two-way-matrix"] as const)(
    "is made for a %s",
    (kind) => {
      const keys = keyBlock(3, 2);
      expect(refusal(onSmall(wireAs(keys, kind, allKeys(keys))))).toBe("");
    },
  );

  it("is the same code for designs that want the same of it, and smaller where less is wanted", () => {
    const plain = demoDesigns.find(({ id }) => id === "tern")!.reportSet;
    const codeFor = (id: string) => partsOf(onSmall(demoDesigns.find((demo) => demo.id === id)!)).parts[0].bytes;
    expect(codeFor("tern")).toEqual(partsOf(onSmall({ ...finishedPad(), reportSet: plain })).parts[0].bytes);
    expect(codeFor("tern").length).toBeLessThan(codeFor("glasshouse").length - 1000);
    expect(codeFor("tern").length).toBeLessThan(codeFor("kestrel").length - 4000);
  });
});

describe("no finished image", () => {
  it("is made for another class, or for none", () => {
    expect(refusal(planned(chooseController(finishedPad(), "dual-core-3v3-26")))).toMatch(
      /^has the .*; a finished image/,
    );
    expect(refusal({ ...finishedPad(), controllers: [] })).toMatch(
      /^has no controller; a finished image is made for the/,
    );
  });

  it("is made while a net has no pin, and each is named once", () => {
    const message = refusal(clearPins(onSmall(finishedPad())));
    expect(message).toMatch(/has no pin of the chip for R1; share out the pins first/);
    expect(message.match(/for R1;/g)).toHaveLength(1);
  });

  it("is made for a socket on a pin that is no serial transmitter", () => {
    const at = { xMm: 200, yMm: 0, rotationDeg: 0, boardId: "panel" };
    const pad = wireAs(addControl(finishedPad(), "music-socket", "s1", at), "music-out", ["s1:socket"]);
    const fine = onSmall(pad);
    expect(refusal(fine)).toBe("");
    const moved = { ...fine, pinPlan: { ...fine.pinPlan, "music.data": { ...fine.pinPlan["music.data"], pin: "P9" } } };
    expect(refusal(moved)).toMatch(/^has MUSIC data on P9, which is no serial transmitter; put it on P1/);
  });

  it("is made for what no image can", () => {
    const at = { xMm: 200, yMm: 0, rotationDeg: 0, boardId: "panel" };
    const port = addControl(finishedPad(), "pad-port", "x1", at);
    const ends = [...derive(port).elements.values()].filter(({ controlId }) => controlId === "x1");
    const plugged = wireAs(
      port,
      "pad-port",
      ends.map(({ id }) => id),
    );
    expect(refusal(onSmall(plugged))).toMatch(
      /^The finished image cannot do a serial pad port\. The project to compile can/,
    );
  });

  it("is made for lines beside live changes, and not for lines alone, or beside a few reports", () => {
    const pad = onSmall(finishedPad());
    const taking = (...interfaces: InterfaceKind[]) =>
      refusal({ ...pad, reportSet: { ...pad.reportSet, interfaces, panel: { flags: [], values: [], lines: true } } });
    expect(taking("keyboard", "live")).toMatch(
      /^The chip's flash has no room for live changes, what the computer tells and lines over a serial port at once\./,
    );
    expect(taking("keyboard", "consumer", "system", "panel")).toBe("");
    expect(taking()).toBe("");
  });

  it("is made for lines where reports leave no three endpoints", () => {
    const pad = onSmall(finishedPad());
    const panel = { flags: [], values: [], lines: true };
    const interfaces: InterfaceKind[] = ["keyboard", "consumer"];
    const few = (endpointsMost: number) =>
      refusal({ ...pad, reportSet: { ...pad.reportSet, interfaces, panel, endpointsMost } });
    expect(few(4)).toMatch(/^declares what takes 5 endpoints; there may be 4/);
    expect(few(5)).toBe("");
  });

  it("is made without a report", () => {
    const pad = onSmall(finishedPad());
    expect(refusal({ ...pad, reportSet: { ...pad.reportSet, interfaces: [] } })).toMatch(/^declares no report/);
  });

  it("is made when the tables are too large, with the bytes said", () => {
    let design = onSmall(wireAs(keyBlock(15, 8), "input-registers", allKeys(keyBlock(15, 8))));
    for (let layer = 1; layer < 15; layer++) design = addLayer(design, `l${layer}`, `Layer ${layer}`);
    design = bind(design, "l1", "k1:press", { does: "nothing" });
    expect(refusal(design)).toMatch(
      /^needs \d+ bytes for the tables; the chip has \d{4}, without live changes there are \d{4}$/,
    );
    const fixed = { ...design, reportSet: { ...design.reportSet, interfaces: ["keyboard" as const] } };
    expect(refusal(fixed)).toBe("");
  });
});

describe("the prebuilt images", () => {
  it.each(usb8Images)("have code beneath the board block, and both beneath the loader: $id", (image) => {
    expect(codeOf(image.id).bytes.length).toBeLessThanOrEqual(image.boardAt);
    expect(image.boardAt).toBeLessThan(image.tablesAt);
    expect(image.tablesAt).toBeLessThan(LOADER_AT);
  });

  it("are chosen by what a design wants: able to all of it, and with the most room for tables of those", () => {
    const sets = [
      [],
      ["live"],
      ["pointer"],
      ["lights"],
      ["lights", "live"],
      ["lights", "pointer"],
      ["live", "pointer"],
      ["music"],
      ["axes", "music", "live"],
    ];
    const chosen = sets.map((set) => imageWith(set as Parameters<typeof imageWith>[0]).id);
    expect(chosen).toEqual([
      "plain",
      "music-live",
      "lights-pointer",
      "lights-pointer",
      "lights",
      "lights-pointer",
      "pointer",
      "music",
      "axes-live-music",
    ]);
    expect(imageWith(["lights", "live", "pointer"]).id).toBe("lights-live-pointer");
  });

  it("are wished for by chains with lights, and by the reports", () => {
    const wished = demoDesigns.map((design) => featuresOf(design, scanTableOf(design)));
    expect(wished.flat().sort()).toEqual(["axes", "displays", "lights", "music", "panel", "pointer", "segments"]);
  });
});
