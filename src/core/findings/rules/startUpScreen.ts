import { EVERY_KEY_BYTES, REPORTS } from "../../contract/contract";
import { changeWish } from "../../edits/wish";
import { setInterfaces } from "../../edits/reportSet";
import type { Design } from "../../document/schema";
import type { Observation, Rule } from "../finding";

const BOOT_BYTES = REPORTS.keyboard.bytes;

/** Nothing but a keyboard is read before a system runs. */
function noKeyboard({ reportSet: { interfaces } }: Design): Observation[] {
  if (interfaces.includes("keyboard")) return [];
  return [
    {
      message: "It must work before the computer's system runs, but declares no keyboard: nothing else is read there.",
      subjects: [],
      fixes: [
        { title: "Declare the keyboard", apply: (d) => setInterfaces(d, ["keyboard", ...d.reportSet.interfaces]) },
      ],
    },
  ];
}

/** HID 1.11 has it that what stands behind the eight bytes is left alone; not all start-up screens know. */
function longReport({ reportSet: { everyKey, interfaces } }: Design): Observation[] {
  if (!everyKey || !interfaces.includes("keyboard")) return [];
  return [
    {
      severity: "note",
      message: `The keyboard's report has ${BOOT_BYTES + EVERY_KEY_BYTES} bytes; a few start-up screens take none that is longer than ${BOOT_BYTES}.`,
      subjects: [],
      fixes: [
        {
          title: "Tell six keys at once",
          apply: (d) => ({ ...d, reportSet: { ...d.reportSet, everyKey: undefined } }),
        },
      ],
    },
  ];
}

/** An interpreter puts all collections on one interface, where ids tell reports apart; start-up screens know none. */
function withIds({ brief, reportSet: { interfaces } }: Design): Observation[] {
  const hid = interfaces.filter((kind) => kind !== "music");
  if (brief.wish.firmware !== "interpreted" || !interfaces.includes("keyboard") || hid.length < 2) return [];
  return [
    {
      message: `An interpreter's board tells ${hid.length} reports apart by a first byte, which start-up screens do not read: the keyboard stays deaf there.`,
      subjects: [],
      fixes: [
        { title: "Wish for compiled firmware", apply: (d) => changeWish(d, { firmware: "compiled" }) },
        { title: "Declare the keyboard alone", apply: (d) => setInterfaces(d, ["keyboard"]) },
      ],
    },
  ];
}

/** A machine that is unlocked, or set up, before its system runs reads a boot keyboard and nothing else. */
export const startUpScreen: Rule = {
  id: "reports/start-up-screen",
  stage: "reports",
  severity: "warn",
  why: "What runs before the system reads no descriptor: it takes the eight bytes of the boot layout from a keyboard of its own interface.",
  source: "USB HID 1.11, appendices B and F",
  check: (design) =>
    design.brief.wish.startUp ? [...noKeyboard(design), ...longReport(design), ...withIds(design)] : [],
};
