import { FRAME_BYTES } from "../contract/live";
import type { DescriptorItem } from "./descriptorItem";
import { DescriptorWriter } from "./descriptorWriter";
import { PLACE_MOST, POINTER } from "../contract/contract";
import { gamePad } from "./gamePad";
import { LIVE_COLLECTION } from "./liveCollection";
import { panel } from "./panel";
import type { HidKind, InterfaceKind } from "./interfaceKinds";
import type { ReportShape } from "./reportShape";
import { SYSTEM_USAGES, systemDeeds } from "./systemUsages";

/** One USB interface that a device can declare. */
export interface HidInterface {
  kind: InterfaceKind;
  /** Usage page and usage of its collection. */
  collection: [page: number, usage: number];
  /** Bytes that the host sends: the keyboard's lights. */
  outputBytes: number;
  /** @param shape what the game pad holds; others do not look at it */
  descriptor(shape: ReportShape): DescriptorItem[];
}

/**
 * The boot keyboard's report descriptor: the items of USB HID 1.11, appendix B.1, in the order given there. Where every key has a bit
 * behind them, the six fields are told as padding: a start-up screen, which reads no descriptor, takes them for what they are and
 * leaves what follows alone (appendix B: extensions are ignored), and a system takes each key once.
 */
const keyboard: HidInterface = {
  kind: "keyboard",
  collection: [0x01, 0x06],
  outputBytes: 1,
  descriptor({ keyBytes }) {
    const w = new DescriptorWriter();
    w.usagePage(0x01, "the next usage is of the generic desktop page");
    w.usage(0x06, "Keyboard", "this interface is a keyboard").application("here its reports begin");
    w.size(1).count(8, "eight of them").usagePage(0x07, "the usages that follow are keys");
    w.usages(224, 231, "Left Control, the first of the eight modifiers").logical(0, 1, "0 is up, 1 is down");
    w.input({ variable: true }, "byte 0: one bit a modifier");
    w.count(1, "one of them").size(8).input({ constant: true }, "byte 1: reserved, always 0");
    w.count(5, "five of them").size(1).usagePage(0x08, "the usages that follow are lights");
    w.usages(1, 5, "Num Lock, the first of five lights");
    w.output({ variable: true }, "sent by the host: one bit a light");
    w.count(1, "one of them").size(3).output({ constant: true }, "three bits to fill the byte");
    if (keyBytes > 0) return everyKey(w, keyBytes);
    w.count(6, "six of them").size(8).logical(0, 255, "0 is no key");
    w.usagePage(0x07, "the usages that follow are keys").usages(0, 255, "a field's value is the usage itself");
    w.input({}, "bytes 2 to 7: the keys that are down");
    return w.end().items;
  },
};

/** The six keys of the boot layout as padding, and a bit for each key behind them. */
function everyKey(w: DescriptorWriter, keyBytes: number): DescriptorItem[] {
  w.count(6, "six of them").size(8).input({ constant: true }, "bytes 2 to 7: for start-up screens only");
  w.usagePage(0x07, "the usages that follow are keys").usages(0, 8 * keyBytes - 1, "a bit's place is the usage itself");
  w.logical(0, 1, "0 is up, 1 is down")
    .size(1)
    .count(8 * keyBytes, "one bit a key");
  w.input({ variable: true }, `bytes 8 to ${7 + keyBytes}: every key that is down`);
  return w.end().items;
}

const LAST_CONSUMER_USAGE = 0x3ff;

/** Consumer control: one 16-bit usage, 0 when nothing is pressed. */
const consumer: HidInterface = {
  kind: "consumer",
  collection: [0x0c, 0x01],
  outputBytes: 0,
  descriptor() {
    const w = new DescriptorWriter();
    w.usagePage(0x0c, "the next usages are of the consumer page");
    w.usage(0x01, "Consumer Control", "this interface controls media and programs").application(
      "here its report begins",
    );
    w.logical(0, LAST_CONSUMER_USAGE, "0 is nothing pressed");
    w.usages(0, LAST_CONSUMER_USAGE, "the field's value is the usage itself");
    w.size(16).count(1, "one field").input({}, "bytes 0 and 1: the usage pressed last");
    return w.end().items;
  },
};

/** Live changes: one feature report there and back, which no driver of the host's takes for input. */
const live: HidInterface = {
  kind: "live",
  collection: [...LIVE_COLLECTION],
  outputBytes: 0,
  descriptor() {
    const w = new DescriptorWriter();
    w.usagePage(LIVE_COLLECTION[0], "the next usages are this device's own");
    w.usage(LIVE_COLLECTION[1], "1", "this interface changes what the keys do").application("here its report begins");
    w.usage(LIVE_COLLECTION[1], "1", "a frame").logical(0, 255, "any byte");
    w.size(8).count(FRAME_BYTES, "the bytes of a frame");
    w.feature({ variable: true }, "sent and asked for by the host: a frame there, its answer back");
    return w.end().items;
  },
};

/** The wheel that turns to the side is of the consumer page (HID Usage Tables: AC Pan). */
const AC_PAN = 0x238;

/** What a pointer begins with, whether it is moved or put: its collections and a byte of buttons (USB HID 1.11, appendix B.2). */
function pointerWithButtons(what: string, buttons: number, meaning: string): DescriptorWriter {
  const w = new DescriptorWriter();
  w.usagePage(0x01, "the next usage is of the generic desktop page");
  w.usage(0x02, "Mouse", "this interface is a pointer").application("here its report begins");
  w.usage(0x01, "Pointer", what).physical("what belongs to it");
  w.usagePage(0x09, "the usages that follow are buttons");
  w.usages(1, buttons, "the first button").logical(0, 1, "0 is up, 1 is down");
  w.size(1).count(buttons, "a bit each").input({ variable: true }, meaning);
  w.size(8 - buttons)
    .count(1, "one field")
    .input({ constant: true }, "bits to fill the byte");
  return w.usagePage(0x01, "the usages that follow are of the generic desktop page");
}

/**
 * A pointer as USB HID 1.11, appendix B.2 has it, with more buttons than its three, a wheel and one to the side: what it
 * moves since the last report.
 */
const pointer: HidInterface = {
  kind: "pointer",
  collection: [0x01, 0x02],
  outputBytes: 0,
  descriptor() {
    const w = pointerWithButtons("what a hand moves", POINTER.BUTTONS, "byte 0: the buttons");
    w.usage(0x30, "X", "to the right").usage(0x31, "Y", "down").usage(0x38, "Wheel", "up");
    w.logical(-127, 127, "below 0 is the other way").size(8).count(3, "a byte each");
    w.input({ variable: true, relative: true }, "bytes 1 to 3: movement since the last report");
    w.usagePage(0x0c, "the next usage is of the consumer page");
    w.usage(AC_PAN, "AC Pan", "a wheel that turns to the right").count(1, "one field");
    w.input({ variable: true, relative: true }, "byte 4: its steps since the last report");
    return w.end("the buttons and axes are complete").end().items;
  },
};

/**
 * A pointer that is told where it is, X and Y from edge to edge of the screen. Hosts take nothing without a button for a pointer
 * (common practice), so it has one.
 */
const place: HidInterface = {
  kind: "place",
  collection: [0x01, 0x02],
  outputBytes: 0,
  descriptor() {
    const w = pointerWithButtons("what is put somewhere", 1, "byte 0: a button, which is never down");
    w.usage(0x30, "X", "from the left edge").usage(0x31, "Y", "from the top");
    w.logical(0, PLACE_MOST, "from one edge of the screen to the other").size(16).count(2, "two bytes each");
    w.input({ variable: true }, "bytes 1 to 4: where the pointer is");
    return w.end("the button and the place are complete").end().items;
  },
};

/** System control: a bit for each deed (HID Usage Tables, "Generic Desktop Page": System Control and its usages). */
const system: HidInterface = {
  kind: "system",
  collection: [0x01, 0x80],
  outputBytes: 0,
  descriptor() {
    const w = new DescriptorWriter();
    const usages = systemDeeds.map((deed) => SYSTEM_USAGES[deed].usage);
    w.usagePage(0x01, "the next usages are of the generic desktop page");
    w.usage(0x80, "System Control", "this interface controls the whole computer").application("here its report begins");
    w.usages(usages[0], usages.at(-1)!, "System Power Down, then Sleep and Wake Up").logical(0, 1, "1 is pressed");
    w.size(1).count(usages.length, "a bit each").input({ variable: true }, "byte 0: what is pressed");
    w.size(8 - usages.length)
      .count(1, "one field")
      .input({ constant: true }, "bits to fill the byte");
    return w.end().items;
  },
};

export const hidInterfaces: Record<HidKind, HidInterface> = {
  keyboard,
  consumer,
  live,
  pointer,
  system,
  pad: gamePad,
  panel,
  place,
};
