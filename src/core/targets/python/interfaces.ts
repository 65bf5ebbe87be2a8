import { PACKED_FRAME_BYTES } from "../../contract/live";
import type { Design } from "../../document/schema";
import { PREFIX, unsignedItem } from "../../hid/descriptorItem";
import { DescriptorWriter } from "../../hid/descriptorWriter";
import type { PadShape } from "../../hid/padShape";
import { reportBytes } from "../../hid/reportBytes";
import { type HidKind, hidInterfaces } from "../../hid/interfaces";
import { LIVE_COLLECTION } from "../../hid/liveCollection";

/**
 * Live changes there: frames go out and come in as reports of their own, as the interpreter has no feature reports (from
 * memory).
 */
function packedFrames() {
  const [page, usage] = LIVE_COLLECTION;
  const w = new DescriptorWriter();
  w.usagePage(page, "the next usages are this device's own");
  w.usage(usage, "1", "this collection changes what the keys do").application("here its reports begin");
  w.logical(0, 255, "any byte").size(8).count(PACKED_FRAME_BYTES, "the bytes of a frame, without the last");
  w.usage(usage, "1", "a frame").input({ variable: true }, "an answer");
  w.usage(usage, "1", "a frame").output({ variable: true }, "a question");
  return w.end().items;
}

const itemsOf = (kind: HidKind, shape: PadShape) =>
  kind === "live" ? packedFrames() : hidInterfaces[kind].descriptor(shape);

/** Bytes of a report to the computer and from it, without its id. */
export const bytesBothWays = (kind: HidKind, shape: PadShape): [toHost: number, fromHost: number] =>
  kind === "live"
    ? [PACKED_FRAME_BYTES, PACKED_FRAME_BYTES]
    : [reportBytes(kind, shape), hidInterfaces[kind].outputBytes];

/**
 * A report descriptor with a report id after its collection is opened: the interpreter puts all collections on one
 * interface, where reports are told apart by their first byte (USB HID 1.11, section 6.2.2.7).
 */
export function descriptorWithId(kind: HidKind, shape: PadShape, reportId: number): number[] {
  const items = itemsOf(kind, shape);
  const opened = items.findIndex(({ name }) => name.startsWith("Collection"));
  return items.flatMap(({ bytes }, nth) =>
    nth === opened && reportId > 0 ? [...bytes, ...unsignedItem(PREFIX.reportId, reportId)] : bytes,
  );
}

/** The id of a design's report; one alone needs none, so that a keyboard keeps the boot layout. */
export const reportIdOf = ({ reportSet }: Design, nth: number): number =>
  reportSet.interfaces.length > 1 ? nth + 1 : 0;

/** Whether the computer's start-up screen can read the keyboard: it knows reports without an id only. */
export const isBootKeyboard = ({ reportSet }: Design): boolean =>
  reportSet.interfaces.length === 1 && reportSet.interfaces[0] === "keyboard";
