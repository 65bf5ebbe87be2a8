import { hasUsb8Chip } from "../../chips/usb8Classes";
import { overLimits } from "../../firmware/capacity";
import { scanTableOf } from "../../firmware/scanTable";
import { imageFor, roomWithout, tableBytesMost, tooMuchAtOnce } from "../../image/usb8Images";
import { tableBytes } from "../../firmware/tables";
import { macroPlan } from "../../keymap/macroPlan";
import { type Rule, listed } from "../finding";

const NAMED = 3;

/** Macros by their bytes, the longest first. */
function longestMacros(design: Parameters<typeof macroPlan>[0]): string[] {
  const { code } = macroPlan(design);
  const macros = (design.keymap.macros ?? []).map(({ name }, nth) => ({ name, bytes: code[nth].length }));
  return macros
    .sort((a, b) => b.bytes - a.bytes)
    .slice(0, NAMED)
    .map(({ name, bytes }) => `${name} (${bytes})`);
}

/** Keymap and macros that have no room in the flash of the chip. */
export const tablesTooLarge: Rule = {
  id: "keymap/too-large",
  stage: "keymap",
  severity: "warn",
  why: "Keymap, macros and numbering lie in the chip's flash beside the code; what does not fit cannot be loaded.",
  source: "the device contract: the flash map of the 8-bit USB class",
  check(design, { profile }) {
    if (!profile || !hasUsb8Chip(profile.id)) return [];
    const scan = scanTableOf(design);
    // What cannot even be numbered is told by its own rule.
    if (overLimits(scan, design).length > 0) return [];
    const tooMuch = tooMuchAtOnce(design, scan);
    if (tooMuch) return [{ message: tooMuch, subjects: [], fixes: [] }];
    const bytes = tableBytes(scan, design).length;
    const most = tableBytesMost(imageFor(design, scan));
    if (bytes <= most) return [];
    const macroBytes = macroPlan(design).code.reduce((sum, { length }) => sum + length, 0);
    const longest = longestMacros(design);
    const share = longest.length > 0 ? ` Macros take ${macroBytes}; the longest: ${listed(longest)}.` : "";
    return [
      {
        message: `The keymap needs ${bytes} bytes of tables; the chip has ${[`${most}`, ...roomWithout(design, scan)].join("; ")}.${share} A shorter text, or a layer less, makes room.`,
        subjects: [],
        fixes: [],
      },
    ];
  },
};
