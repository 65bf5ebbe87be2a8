import type { Design } from "@/core/document/schema";
import { type HidKind } from "@/core/hid/interfaceKinds";
import { describe, expect, it } from "vitest";
import { BOARD_AT } from "@/core/contract/board";
import { imageFor } from "@/core/image/usb8Images";
import { AT } from "@/core/contract/contract";
import { scanTableOf } from "@/core/firmware/scanTable";
import { tableBytes } from "@/core/firmware/tables";
import { bytesOf } from "@/core/hid/descriptorWriter";
import { hidInterfaces } from "@/core/hid/interfaces";
import { toHex } from "@/core/hex";
import { finishedPad } from "../support/designs";
import { workFolder } from "./builds";
import { onSmallClass } from "./onSmallClass";
import { configurationDescriptor } from "@/core/hid/usbDescriptors";
import { usbLayout } from "@/core/hid/usbLayout";
import { plainReports } from "@/core/hid/reportShape";
import { ask, buildUsbHost, imageFiles } from "./usbChip";

// Requests and their answers: USB 2.0, chapter 9, and HID 1.11, chapter 7, written out by hand.

const design = onSmallClass(finishedPad());
const host = buildUsbHost();
const args = imageFiles(design, workFolder());
const answers = (...requests: string[]) => ask(host, args, requests);

const descriptor = (type: string, index: string, forInterface: string, length: string) =>
  `${forInterface === "00" && type !== "22" && type !== "21" ? "80" : "81"}06${index}${type}${forInterface}00${length}`;
const DEVICE = descriptor("01", "00", "00", "1200");
const UNKNOWN = "8006" + "0006" + "0000" + "0a00";

describe("descriptors over USB", () => {
  it("are the device's: numbers, one configuration, a control endpoint of 64 bytes", () => {
    const [device] = answers(DEVICE);
    expect(device).toBe("1201" + "0002" + "000000" + "40" + "f0f0" + "0100" + "0001" + "010200" + "01");
  });

  it.each([0, 1])("are the report descriptor of interface %i, as exported", (nth) => {
    const kind = design.reportSet.interfaces[nth] as HidKind;
    const bytes = toHex(bytesOf(hidInterfaces[kind].descriptor(plainReports)));
    expect(answers(descriptor("22", "00", `0${nth}`, "ff00"))).toEqual([bytes]);
  });

  it("are the texts in UTF-16", () => {
    const text = (words: string) => [...words].map((sign) => `${sign.charCodeAt(0).toString(16)}00`).join("");
    const [language, product] = answers("80060003" + "0000" + "ff00", "80060203" + "0904" + "ff00");
    expect(language).toBe("04030904");
    expect(product.slice(4)).toBe(text(design.reportSet.productName));
  });

  it("are cut to what was asked for", () => expect(answers("80060002" + "0000" + "0900")[0]).toHaveLength(18));
});

describe("the interfaces of music over USB", () => {
  const playing = onSmallClass({
    ...finishedPad(),
    reportSet: { ...finishedPad().reportSet, interfaces: ["music", "keyboard"] },
  });
  const asked = (...requests: string[]) => ask(host, imageFiles(playing, workFolder()), requests);

  it("are there, two of them behind the keyboard's, and take no request of the HID class", () => {
    const current = [0, 1, 2, 3].map((nth) => `810a00000${nth}000100`);
    expect(asked(...current)).toEqual(["00", "00", "00", "stall"]);
    const refused = [1, 2].flatMap((nth) => [
      `a10100010${nth}000800`,
      `210a007d0${nth}000000`,
      `81060022${`0${nth}`}00ff00`,
    ]);
    expect(asked(...refused, DEVICE).slice(0, -1)).toEqual(refused.map(() => "stall"));
  });

  it("stand in the configuration as the design says", () => {
    const [bytes] = asked("80060002" + "0000" + "ff00");
    const own = configurationDescriptor(usbLayout([["keyboard"], ["music"]]), plainReports);
    // What the device takes of the port is the design's own.
    expect(bytes.slice(0, 16)).toBe(toHex(Uint8Array.from(own)).slice(0, 16));
    expect(bytes.slice(18)).toBe(toHex(Uint8Array.from(own)).slice(18));
  });
});

describe("music that listens, over USB", () => {
  const pad = onSmallClass(finishedPad());
  const panel = { flags: [], values: [], notes: { channel: 0, note: 60, controller: 20 } };
  const hearing: Design = { ...pad, reportSet: { ...pad.reportSet, interfaces: ["keyboard", "music"], panel } };
  const asked = (...requests: string[]) => ask(host, imageFiles(hearing, workFolder()), requests);

  it("has an endpoint more, from the computer, and no others", () => {
    const status = (address: string) => "8200" + "0000" + `${address}00` + "0200";
    expect(asked(...["81", "82", "03", "83", "04"].map(status))).toEqual(["0000", "0000", "0000", "stall", "stall"]);
  });

  it("stands in the configuration as the design says, and the device's interfaces are each its own", () => {
    const [bytes, device] = asked("80060002" + "0000" + "ff00", DEVICE);
    const own = configurationDescriptor(
      usbLayout([["keyboard"], ["music"]], { notes: true, lines: false }),
      plainReports,
    );
    expect(bytes.slice(18)).toBe(toHex(Uint8Array.from(own)).slice(18));
    expect(device.slice(8, 14)).toBe("000000");
  });

  it("halts and goes on", () => {
    const status = "8200" + "0000" + "0300" + "0200";
    expect(asked("0203" + "0000" + "0300" + "0000", status, "0201" + "0000" + "0300" + "0000", status)).toEqual([
      "",
      "0100",
      "",
      "0000",
    ]);
  });
});

describe("a serial port for lines over USB", () => {
  const plain = onSmallClass(finishedPad());
  const panel = { flags: [], values: [], lines: true };
  const keyed = { ...plain.reportSet, interfaces: ["keyboard" as const], panel };
  const taking: Design = { ...plain, reportSet: keyed };
  const asked = (...requests: string[]) => ask(host, imageFiles(taking, workFolder()), requests);
  const GET = "a121" + "0000" + "0100" + "0700";
  const set = (index: string, length: string, bytes: string) => "2120" + "0000" + `${index}00` + `${length}00` + bytes;

  it("makes it a device whose interfaces belong together", () => expect(asked(DEVICE)[0].slice(8, 14)).toBe("ef0201"));

  it("is told how fast its line would be, keeps it and gives it back (PSTN 1.2, table 17)", () => {
    // 9,600 bit a second at the start; then 115,200, two stop bits, even parity, seven bits.
    const coding = "00c20100" + "02" + "02" + "07";
    expect(asked(GET, set("01", "07", coding), GET)).toEqual(["80250000" + "00" + "00" + "08", "", coding]);
  });

  it("takes nothing of another length, on another interface, or of another class", () => {
    const wrong = [
      set("01", "06", "000000000000"),
      set("02", "07", "00000000000000"),
      set("00", "07", "00000000000000"),
    ];
    const others = ["a1010001" + "0100" + "0800", "210a007d" + "0100" + "0000", "2123" + "0000" + "0100" + "0000"];
    expect(asked(...wrong, ...others, GET).slice(0, -1)).toEqual([...wrong, ...others].map(() => "stall"));
  });

  it("is opened by a program that says so", () => expect(asked("2122" + "0300" + "0100" + "0000")).toEqual([""]));

  it("has three endpoints, the second of them from the computer, and no others", () => {
    const status = (address: string) => "8200" + "0000" + `${address}00` + "0200";
    const there = ["81", "82", "03", "84"].map(status);
    const absent = ["01", "02", "83", "04", "85", "05"].map(status);
    expect(asked(...there, ...absent)).toEqual([...there.map(() => "0000"), ...absent.map(() => "stall")]);
  });

  it("stands in the configuration as the design says", () => {
    const [bytes] = asked("80060002" + "0000" + "ff00");
    const own = configurationDescriptor(usbLayout([["keyboard"]], { notes: false, lines: true }), plainReports);
    expect(bytes.slice(18)).toBe(toHex(Uint8Array.from(own)).slice(18));
  });
});

describe("requests", () => {
  it("that are unknown stall, and the next one is answered", () => {
    const [unknown, vendor, device] = answers(UNKNOWN, "c001000000000100", DEVICE);
    expect([unknown, vendor]).toEqual(["stall", "stall"]);
    expect(device).toMatch(/^1201/);
  });

  it("tell status, configuration and interface", () => {
    expect(answers("8000" + "0000" + "0000" + "0200", "8008" + "0000" + "0000" + "0100")).toEqual(["0000", "01"]);
    expect(answers("810a" + "0000" + "0100" + "0100", "810a" + "0000" + "0300" + "0100")).toEqual(["00", "stall"]);
  });

  it("allow remote waking, and forbid it again", () => {
    const status = "8000" + "0000" + "0000" + "0200";
    expect(answers("0003" + "0100" + "0000" + "0000", status, "0001" + "0100" + "0000" + "0000", status)).toEqual([
      "",
      "0200",
      "",
      "0000",
    ]);
  });

  it("halt an endpoint, say so, and let it go on", () => {
    const status = "8200" + "0000" + "8100" + "0200";
    expect(answers("0203" + "0000" + "8100" + "0000", status, "0201" + "0000" + "8100" + "0000", status)).toEqual([
      "",
      "0100",
      "",
      "0000",
    ]);
    expect(answers("8200" + "0000" + "8700" + "0200")).toEqual(["stall"]);
  });

  it("take away the configuration and give it back", () => {
    const now = "8008" + "0000" + "0000" + "0100";
    const set = (value: string) => "0009" + `${value}00` + "0000" + "0000";
    expect(answers(set("00"), now, set("01"), now, set("02"))).toEqual(["", "00", "", "01", "stall"]);
  });

  it("of the class: a report, idle time, protocol; back to usual after a reset of the bus", () => {
    const idle = "a102" + "0000" + "0000" + "0100";
    const protocol = "a103" + "0000" + "0000" + "0100";
    const report = "a101" + "0001" + "0000" + "0800";
    expect(answers(report, idle, protocol)).toEqual(["0000000000000000", "00", "01"]);
    const changed = answers("210a" + "007d" + "0000" + "0000", "210b" + "0000" + "0000" + "0000", idle, protocol);
    expect(changed.slice(2)).toEqual(["7d", "00"]);
    const after = answers(
      "210a" + "007d" + "0000" + "0000",
      "210b" + "0000" + "0000" + "0000",
      "reset",
      idle,
      protocol,
    );
    expect(after.slice(2)).toEqual(["enumerated", "00", "01"]);
  });

  // 5 × 4 ms: a keyboard that nobody touches is heard every 20 ms, and without an idle time never.
  it("have the report told again from time to time, if the host wants it so", () => {
    const idle = (time: string) => `210a00${time}00000000`;
    // One may wait on the endpoint when the idle time ends.
    const [, never, , often, , , neverAgain] = answers(
      idle("00"),
      "listen 200",
      idle("05"),
      "listen 200",
      idle("00"),
      "listen 10",
      "listen 200",
    );
    expect([never, neverAgain]).toEqual(["0", "0"]);
    expect(Math.abs(Number(often) - 10)).toBeLessThanOrEqual(1);
  });

  it("set the lights of the keyboard and of nothing else", () => {
    expect(answers("2109" + "0002" + "0000" + "0100" + "02", "2109" + "0002" + "0100" + "0100" + "02")).toEqual([
      "",
      "stall",
    ]);
  });
});

describe("an image that is not whole", () => {
  const { boardAt, tablesAt } = imageFor(design, scanTableOf(design));
  const silent = (spoil: (flash: Uint8Array) => void) => ask(host, imageFiles(design, workFolder(), spoil), [DEVICE]);

  it.each([
    ["no tables", tablesAt, 64],
    ["no board block", boardAt, 64],
    ["torn tables", tablesAt + AT.ACTION_TABLE + 40, 1],
    ["a torn board block", boardAt + BOARD_AT.START_TABLE + 30, 1],
  ])("stays off the bus: %s", (_, from, bytes) => {
    expect(
      silent((flash) => flash.forEach((byte, at) => at >= from && at < from + bytes && (flash[at] = byte ^ 0xff))),
    ).toEqual(["does not attach"]);
  });

  it("stays off the bus: two good blocks of different designs", () => {
    const other = onSmallClass({ ...finishedPad(), timing: { ...finishedPad().timing, pulseMs: 3 } });
    const tables = tableBytes(scanTableOf(other), other);
    expect(silent((flash) => flash.set(tables, tablesAt))).toEqual(["does not attach"]);
  });

  it("is told from a whole one", () => expect(silent(() => {})[0]).toMatch(/^1201/));
});
