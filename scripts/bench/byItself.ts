import { addControl, changeControl } from "@/core/edits/controls";
import { setLampRule } from "@/core/edits/keymap";
import { wireAs } from "@/core/edits/wiring";
import type { Design } from "@/core/document/schema";
import type { Binding } from "@/core/bindings";
import { completeUse, keysOnRegisters, withDisplay, withHeldLayer, withSticks } from "../../tests/firmware/completePad";
import { play, workFolder } from "../../tests/firmware/builds";
import { onSmallClass } from "../../tests/firmware/onSmallClass";
import { withShow } from "../../tests/firmware/segmentExamples";
import { imageFiles, manyAtOnce, recordOnChip, toldOf } from "../../tests/firmware/usbChip";
import type { Row } from "./row";

const CYCLES_A_MS = 16_000;
const AT_ONCE = 20;
const at = { xMm: 0, yMm: -120, rotationDeg: 0, boardId: "panel" };

const everyKey = (design: Design): Design => ({ ...design, reportSet: { ...design.reportSet, everyKey: true } });

/** Each key plays a note instead, up from the lowest C. */
function asNotes(design: Design): Design {
  const [base, ...above] = design.keymap.layers;
  const note = (nth: number): Binding => ({ does: "note", note: 24 + nth, velocity: 96, channel: 0 });
  const bindings = Object.fromEntries(design.controls.map(({ id }, nth) => [`${id}:press`, note(nth)]));
  return {
    ...design,
    keymap: { ...design.keymap, layers: [{ ...base, bindings }, ...above] },
    reportSet: { ...design.reportSet, interfaces: ["music"] },
  };
}

/** The same over a socket too. */
const withSocket = (design: Design): Design =>
  wireAs(addControl(asNotes(design), "music-socket", "m", at), "music-out", ["m:socket"]);

/** A text on the base layer, another on that which is held. */
function withDigits(design: Design): Design {
  const digits = addControl(design, "segments", "s", at);
  const wired = wireAs(changeControl(digits, "s", { digits: 8 }), "segment-chain", ["s:segments"]);
  return withShow(withShow(wired, "base", "s", "text 12345678"), "layer2", "s", "text 87654321");
}

/** It sounds all the time. */
const withTone = (design: Design): Design =>
  setLampRule(wireAs(addControl(design, "buzzer", "b", at), "direct", ["b:sound"]), "b", { when: "always" });

const alone: [what: string, add: (design: Design) => Design][] = [
  ["nothing else", (design) => design],
  ["a bit for every key", everyKey],
  ["notes instead of keys", asNotes],
  ["notes over USB and a socket", withSocket],
  ["4 axes of a game pad", withSticks],
  ["eight digits", withDigits],
  ["a display's page", withDisplay],
  ["a tone of 2,700 Hz", withTone],
];

/** What each of these costs by itself: the same 64 keys on registers, a layer held and let go, on the simulated chip. */
export function byItselfRows(host: string): Row[] {
  return alone.map(([what, add]) => {
    const design = onSmallClass(withHeldLayer(add(keysOnRegisters())));
    const hasSticks = design.controls.some(({ kind }) => kind === "stick");
    const use = hasSticks ? completeUse(design, AT_ONCE) : manyAtOnce(design, AT_ONCE);
    const { notes } = play(host, imageFiles(design, workFolder()), recordOnChip(design, use).script);
    const [most, mean] = [toldOf(notes, "most"), toldOf(notes, "mean")];
    return {
      what: `finished image, 64 keys and ${what}: worst scan, ${AT_ONCE} at once; mean`,
      measured: `${most}; ${mean} cycles`,
      limit: `${CYCLES_A_MS} cycles`,
      ratio: CYCLES_A_MS / most,
    };
  });
}
