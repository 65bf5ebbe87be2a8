import { cautionWords } from "../assembly/cautions";
import type { Fault } from "./fault";
import type { Model } from "./model";
import type { Suspect } from "./suspects";

/** What to do about a fault, and what to test again after it. */
export interface Repair {
  title: string;
  how: string[];
  caution: string | null;
  /** Ids of tests that the repair may have touched. */
  retests: string[];
}

const UNPLUG = "Pull the plug first.";

/** How faults that no test tells apart are mended, the likeliest first (common practice). */
export function repairOf(model: Model, suspects: readonly Suspect[]): Repair {
  const [first, ...others] = suspects.map((suspect) => deedFor(model, suspect));
  const more = [...new Set(others.map(({ title }) => title))].filter((title) => title !== first.title);
  return {
    title: first.title,
    how: [UNPLUG, ...first.how, ...more.map((title) => `If that was not it, or at once: ${small(title)}.`)],
    caution: first.caution ?? others.find(({ caution }) => caution !== null)?.caution ?? null,
    retests: retestsOf(model, suspects[0]),
  };
}

const small = (words: string) => words.slice(0, 1).toLowerCase() + words.slice(1);

type Deed = Omit<Repair, "retests">;

function deedFor(model: Model, { fault, words }: Suspect): Deed {
  const { bonds } = model.base.assembled;
  if (fault.kind === "open") return openDeed(bonds.get(fault.bond)!.sort, bonds.get(fault.bond)!.words);
  if (fault.kind === "cold") return again(bonds.get(fault.bond)!.words);
  if (fault.kind === "reversed" || fault.kind === "bridged")
    return solder(`Replace ${bonds.get(fault.bond)!.words}`, [
      "Take it out and put a new one in; its ring shows the cathode, as the wiring drawing has it.",
    ]);
  return leadDeed(model, fault) ?? PART_DEEDS[fault.kind] ?? solder("Replace the part", [`${words}.`]);
}

/** Where wires are at fault. */
function leadDeed(model: Model, fault: Fault): Deed | null {
  const { nets } = model.base.assembled;
  const flag = (id: string) => nets.get(id)?.net.flag ?? id;
  if (fault.kind === "short")
    return solder(`Part ${flag(fault.netA)} and ${flag(fault.netB)}`, [
      "Look where they lie close: a whisker, a bridge of solder, insulation that was melted.",
      "Wick the bridge away, or lift one wire and insulate it.",
    ]);
  if (fault.kind === "swapped")
    return solder(`Change ${flag(fault.netA)} and ${flag(fault.netB)} at the controller`, [
      "Each lead to the other's pad; or change both pins in Pins and load anew.",
    ]);
  if (fault.kind !== "misplaced") return null;
  return solder(`Move ${flag(fault.net)} to ${nets.get(fault.net)?.pad?.node ?? "its pin"}`, [
    "Or give it the pin that it is on, in Pins, and load anew.",
  ]);
}

function openDeed(sort: string, words: string): Deed {
  if (sort === "joint") return again(words);
  if (sort === "wire" || sort === "track")
    return solder(`Run ${words} anew`, ["Cut and solder a new wire beside it from end to end."]);
  if (sort === "pin")
    return {
      title: "Take another pin",
      how: [`${words} does not work any more: choose a free one in Pins, move its lead there, and load anew.`],
      caution: cautionWords.solder,
    };
  return solder(`Replace ${words}`, ["Take it out and put a new one in the same way round."]);
}

const again = (words: string): Deed =>
  solder(`Solder ${words} again`, [
    "Clean it, add flux, heat metal and pad together until the solder flows, and let it set without moving.",
  ]);

function solder(title: string, how: string[]): Deed {
  return { title, how, caution: cautionWords.solder };
}

/** Where a part itself is. */
const PART_DEEDS: Partial<Record<Fault["kind"], Deed>> = {
  stuck: solder("Free or replace the switch", [
    "Press it a few times and look for a burr in the plate; if it stays closed, replace it.",
  ]),
  bounce: {
    title: "Give it more time, or another switch",
    how: ["Raise the debounce time of this one in Keymap, or replace the switch."],
    caution: null,
  },
  dip: {
    title: "Feed the lights better",
    how: [
      "Lower their brightness, or feed them from the supply and once more along the chain: Circuits has the numbers.",
    ],
    caution: null,
  },
  turned: solder("Turn the part round", ["Take it out and put it in the other way."]),
};

/** More than so many are not asked for again. */
const RETESTS_MOST = 12;

/** Presses, turns and looks at all that hangs on its nets, and one look at rest; no meter. */
function retestsOf({ trials, rows }: Model, { nets, controlIds }: Suspect): string[] {
  const near = new Set(nets);
  const reached = trials.filter(
    ({ deed, nets: own, controlIds: parts }, nth) =>
      (deed.does === "sweep" ||
        deed.does === "turn" ||
        deed.does === "show" ||
        deed.does === "axis" ||
        (deed.does === "hold" && parts.some((id) => controlIds.includes(id)))) &&
      own.some((id) => near.has(id)) &&
      rows[nth] !== undefined,
  );
  const order = (trial: (typeof reached)[number]) => (trial.controlIds.some((id) => controlIds.includes(id)) ? 0 : 1);
  return ["idle", ...reached.sort((one, other) => order(one) - order(other)).map(({ id }) => id)].slice(
    0,
    RETESTS_MOST,
  );
}
