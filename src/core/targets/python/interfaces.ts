import type { HidKind } from "../../hid/interfaceKinds";
import { PACKED_FRAME_BYTES } from "../../contract/live";
import type { Design } from "../../document/schema";
import { withReportId } from "../../hid/reportId";
import { DescriptorWriter, bytesOf } from "../../hid/descriptorWriter";
import type { ReportShape } from "../../hid/reportShape";
import { reportBytes } from "../../hid/reportBytes";
import { hidInterfaces } from "../../hid/interfaces";
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

const itemsOf = (kind: HidKind, shape: ReportShape) =>
  kind === "live" ? packedFrames() : hidInterfaces[kind].descriptor(shape);

/** Bytes of a report to the computer and from it, without its id. */
export const bytesBothWays = (kind: HidKind, shape: ReportShape): [toHost: number, fromHost: number] =>
  kind === "live"
    ? [PACKED_FRAME_BYTES, PACKED_FRAME_BYTES]
    : [reportBytes(kind, shape), hidInterfaces[kind].outputBytes];

/** The interpreter puts all collections on one interface, so each has a number. */
export const descriptorWithId = (kind: HidKind, shape: ReportShape, reportId: number): number[] => [
  ...bytesOf(withReportId(itemsOf(kind, shape), reportId)),
];

/** The id of a design's report; one alone needs none, so that a keyboard keeps the boot layout. */
export const reportIdOf = ({ reportSet }: Design, nth: number): number =>
  reportSet.interfaces.length > 1 ? nth + 1 : 0;

/** Whether the computer's start-up screen can read the keyboard: it knows reports without an id only. */
export const isBootKeyboard = ({ reportSet }: Design): boolean =>
  reportSet.interfaces.length === 1 && reportSet.interfaces[0] === "keyboard";
