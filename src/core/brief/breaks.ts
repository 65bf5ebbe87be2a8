import type { ControllerProfile } from "../catalogue/controllers/controllerProfile";
import { counted } from "../words";
import { type OptionSetting, optionFor } from "./option";
import { type ChosenPlan, type Wish, type WishCount, wishCounts } from "../document/wish";
import { wishNouns } from "./wishWords";

/** More of one sort than any wish holds: from there on it is any number. */
export const ANY_NUMBER = 500;

/** The largest n from 0 on for which a test holds that fails for good once it fails; -1 when it fails at 0. */
function lastThatHolds(most: number, holds: (n: number) => boolean): number {
  if (!holds(0)) return -1;
  let low = 0;
  let high = 1;
  while (high <= most && holds(high)) {
    low = high;
    high *= 2;
  }
  high = Math.min(high, most + 1);
  while (high - low > 1) {
    const middle = (low + high) >> 1;
    if (holds(middle)) low = middle;
    else high = middle;
  }
  return low;
}

const more = (wish: Wish, count: WishCount, n: number): Wish => ({ ...wish, [count]: wish[count] + n });

/** How many more of each a plan still takes, and in words what breaks it. */
export interface Room {
  keys: number;
  encoders: number;
  pots: number;
}

/** How many more keys, encoders and analog inputs a plan that fits still takes, each by itself. */
export function roomFor(wish: Wish, plan: ChosenPlan, profile: ControllerProfile, setting: OptionSetting): Room {
  const still = (count: WishCount) =>
    lastThatHolds(ANY_NUMBER, (n) => optionFor(more(wish, count, n), plan, profile, setting)?.fits ?? n === 0);
  return { keys: still("keys"), encoders: still("encoders"), pots: still("pots") };
}

export interface SmallestChange {
  words: string;
  wish: Wish;
}

const pushes: { field: "encoderPush" | "concentricPush" | "stickPush"; of: WishCount[]; words: string }[] = [
  { field: "encoderPush", of: ["encoders"], words: "encoders without push" },
  { field: "concentricPush", of: ["concentrics"], words: "concentric encoders without push" },
  { field: "stickPush", of: ["sticks2", "sticks3"], words: "sticks without push" },
];

/**
 * The smallest change of the wish that makes a failing plan fit: fewest controls taken away of one sort, or pushes
 * given up when that is enough. Null when nothing of that sort helps.
 */
export function smallestChange(
  wish: Wish,
  plan: ChosenPlan,
  profile: ControllerProfile,
  setting: OptionSetting,
): SmallestChange | null {
  const fits = (changed: Wish) => optionFor(changed, plan, profile, setting)?.fits ?? false;
  const found: (SmallestChange & { weight: number })[] = [];
  for (const { field, of, words } of pushes) {
    const without = { ...wish, [field]: false };
    // Giving up a push is less than giving up a control.
    if (wish[field] && of.some((count) => wish[count] > 0) && fits(without))
      found.push({ words, wish: without, weight: 0.5 });
  }
  for (const count of wishCounts) {
    if (wish[count] === 0) continue;
    // Fewer is never worse, so counting down from none left finds the fewest to take away. With very few of them a way
    // may make no sense, which says nothing against more.
    const notShort = (n: number) => optionFor({ ...wish, [count]: n }, plan, profile, setting)?.fits ?? true;
    const kept = lastThatHolds(wish[count], notShort);
    if (kept < 0 || kept >= wish[count] || !fits({ ...wish, [count]: kept })) continue;
    const less = wish[count] - kept;
    found.push({ words: `${counted(less, wishNouns[count])} fewer`, wish: { ...wish, [count]: kept }, weight: less });
  }
  const best = found.sort((a, b) => a.weight - b.weight)[0];
  return best ? { words: best.words, wish: best.wish } : null;
}
