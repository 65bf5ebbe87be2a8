import { derive } from "../derived/derive";
import type { Design } from "../document/schema";
import { keyboardUsage } from "../hid/keyboardUsages";

/** Usages of a keyboard that stand for controls while a device is tested: letters, digits, signs, F1 on (HID Usage Tables, page 7). */
const FIRST_USAGE = 4;
const LAST_USAGE = 0xa4;
/** Locks change what a computer does with the rest. */
const LOCKS = [0x39, 0x47, 0x53];
/** Nothing that is tested shall switch the computer off. */
const POWER = 0x66;
/** It ends listening, and closes what is open. */
const ESCAPE = 0x29;
const NEVER = new Set([...LOCKS, POWER, ESCAPE]);
/** A desktop takes a picture, opens a menu, or changes how text is put in, before a page hears of them. */
const TAKEN_BY_DESKTOPS = new Set([
  0x46, 0x65, 0x75, 0x7a, 0x7b, 0x7c, 0x7d, 0x7e, 0x87, 0x88, 0x89, 0x8a, 0x8b, 0x90, 0x91,
]);

const all = Array.from({ length: LAST_USAGE - FIRST_USAGE + 1 }, (_, nth) => FIRST_USAGE + nth).filter(
  (usage) => !NEVER.has(usage),
);
const reachesPages = (usage: number) => keyboardUsage(usage) !== undefined && !TAKEN_BY_DESKTOPS.has(usage);
/** Those that a page hears of come first, so that a device in the hand can be listened to. */
const usages = [...all.filter(reachesPages), ...all.filter((usage) => !reachesPages(usage))];

/** The design with a keymap in which every control types a key of its own, and who types which. */
export interface TestKeymap {
  design: Design;
  inputOf: Map<number, { elementId: string; motion: string }>;
  /** Inputs for which no key was left. */
  left: number;
}

/**
 * What a device is loaded with while it is tested: press something, and what comes names it, whatever its keymap will be. Every
 * key has a bit of its own in the report, so that many at once are told.
 */
export function testKeymapOf(design: Design): TestKeymap {
  const inputs = derive(design).inputs.filter(({ motion }) => ["press", "clockwise", "anticlockwise"].includes(motion));
  const taken = inputs.slice(0, usages.length);
  const bindings = Object.fromEntries(
    taken.map(({ id }, nth) => [id, { does: "keyboard" as const, usage: usages[nth], modifiers: 0 }]),
  );
  const { hostLanguage } = design.keymap;
  const { productName, maker, vendorId, productId } = design.reportSet;
  return {
    design: {
      ...design,
      keymap: { hostLanguage, layers: [{ id: "base", name: "Base", bindings }], lamps: {}, macros: [] },
      reportSet: { productName, maker, vendorId, productId, interfaces: ["keyboard"], everyKey: true },
    },
    inputOf: new Map(taken.map(({ elementId, motion }, nth) => [usages[nth], { elementId, motion }])),
    left: inputs.length - taken.length,
  };
}
