import { PANEL } from "../contract/panel";
import { DescriptorWriter } from "./descriptorWriter";
import type { HidInterface } from "./interfaces";
import { LIVE_COLLECTION } from "./liveCollection";

/** A usage of its own beside that of live changes. */
const PANEL_USAGE = 0x02;
const BITS = 8;

/** What the computer tells: an output report of flags, then values, which no driver of the host's takes for its own. */
export const panel: HidInterface = {
  kind: "panel",
  collection: [LIVE_COLLECTION[0], PANEL_USAGE],
  outputBytes: PANEL.BYTES,
  descriptor() {
    const w = new DescriptorWriter();
    w.usagePage(LIVE_COLLECTION[0], "the next usages are this device's own");
    w.usage(PANEL_USAGE, "2", "a program on the computer tells what is shown").application("here its report begins");
    w.usage(0x03, "3", "flags").logical(0, 1, "0 is off, 1 is on").size(1).count(PANEL.FLAGS, "a bit each");
    w.output({ variable: true }, `bytes 0 to ${PANEL.FLAGS / BITS - 1}: flags, the first in the lowest bit`);
    w.usage(0x04, "4", "values").logical(0, 255, "a whole byte").size(BITS).count(PANEL.VALUES, "a byte each");
    w.output({ variable: true }, `bytes ${PANEL.VALUES_AT} to ${PANEL.BYTES - 1}: values`);
    return w.end().items;
  },
};
