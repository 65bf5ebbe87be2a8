import { derive } from "@/core/derived/derive";
import type { Design } from "@/core/document/schema";
import { addControl } from "@/core/edits/controls";
import { firstPage, setPage } from "@/core/edits/displays";
import { wireAs } from "@/core/edits/wiring";
import type { SimulationRequest } from "@/core/engine/simulate";
import { withUse } from "./axisExamples";
import { keyboard64 } from "./keyboard64";
import { onSmallClass } from "./onSmallClass";
import { manyAtOnce } from "./usbChip";

const at = (nth: number) => ({ xMm: 40 * nth, yMm: -80, rotationDeg: 0, boardId: "panel" });
const AXES = [
  ["a", "x", "x"],
  ["a", "y", "y"],
  ["b", "x", "rx"],
  ["b", "y", "ry"],
] as const;

const elementsOf = (design: Design, wanted: "switch" | "analog") =>
  [...derive(design).elements.values()].flatMap(({ id, kind }) => (kind === wanted ? [id] : []));

/** 64 keys on registers, told by a keyboard's report. */
export function keysOnRegisters(): Design {
  const keys = keyboard64(2);
  const reportSet = { ...keys.reportSet, interfaces: ["keyboard" as const] };
  return { ...wireAs(keys, "input-registers", elementsOf(keys, "switch")), reportSet };
}

/** With two sticks, which are four axes of a game pad. */
export function withSticks(design: Design): Design {
  const placed = addControl(addControl(design, "stick", "a", at(0)), "stick", "b", at(1));
  const pushed = wireAs(placed, "input-registers", elementsOf(placed, "switch"));
  const moved = AXES.reduce(
    (d, [stick, end, axis]) => withUse(d, "base", `${stick} ${end}`, `pad ${axis}`),
    wireAs(pushed, "direct", elementsOf(placed, "analog")),
  );
  const reportSet = { ...moved.reportSet, interfaces: [...moved.reportSet.interfaces, "pad" as const] };
  return { ...moved, reportSet };
}

/** With a display whose page says what keys do. */
export function withDisplay(design: Design): Design {
  const wired = wireAs(addControl(design, "display", "d", at(2)), "bus-displays", ["d:display"]);
  return setPage(wired, "base", "d", firstPage(wired, { widthPx: 128, heightPx: 64 }));
}

/** A key holds the other layer. */
export function withHeldLayer(design: Design): Design {
  const held = { does: "hold-layer" as const, layerId: "layer2" };
  const [base, ...above] = design.keymap.layers;
  const layers = [{ ...base, bindings: { ...base.bindings, "k64:press": held } }, ...above];
  return { ...design, keymap: { ...design.keymap, layers } };
}

/** 64 keys on registers, two sticks as four axes of a game pad, and a display whose page says what keys do. */
export const completePad = (): Design => onSmallClass(withHeldLayer(withDisplay(withSticks(keysOnRegisters()))));

/** So many keys at once, while sticks are moved and the layer, and with it the page, changes. */
export function completeUse(design: Design, atOnce: number): SimulationRequest {
  const many = manyAtOnce(design, atOnce);
  const moves = Array.from({ length: Math.floor(many.untilMs / 10) }, (_, nth) => ({
    atMs: 5 + 10 * nth,
    action: "set" as const,
    control: nth % 2 === 0 ? "a" : "b",
    end: nth % 4 < 2 ? "x" : "y",
    percent: ((nth * 37) % 200) - 100,
  }));
  return { ...many, events: [...many.events, ...moves].sort((a, b) => a.atMs - b.atMs) };
}
