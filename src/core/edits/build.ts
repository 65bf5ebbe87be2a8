import type { ToldStep as Step } from "../assembly/toldAssembly";
import {
  type Build,
  type BoardWay,
  type ModuleWay,
  type SmallPartWay,
  boardWayOf,
  usualBuild,
} from "../document/buildSettings";
import type { Design } from "../document/schema";

const changed = (design: Design, change: (build: Build) => Partial<Build>): Design => {
  const build = design.build ?? usualBuild;
  return { ...design, build: { ...build, ...change(build) } };
};

const without = (list: string[], gone: readonly string[]) => list.filter((one) => !gone.includes(one));
const withAll = (list: string[], more: readonly string[]) => [...without(list, more), ...more];

/** Ticks a step off, with all its wires; minutes are what the clock told, added to what it took before. */
export function stepDone(design: Design, step: Step, minutes: number): Design {
  const wired = { ...design, wires: { ...design.wires, done: withAll(design.wires.done, step.wires) } };
  return changed(wired, ({ done, skipped, minutes: known }) => ({
    done: withAll(done, [step.id]),
    skipped: without(skipped, [step.id]),
    minutes: spent(known, step.id, minutes),
  }));
}

function spent(known: Build["minutes"], id: string, minutes: number): Build["minutes"] {
  const sum = Math.min(100_000, (Object.hasOwn(known, id) ? known[id] : 0) + Math.max(0, minutes));
  return sum > 0 ? { ...known, [id]: Math.round(sum * 100) / 100 } : known;
}

/** Takes the tick away again, also from its wires. */
export function stepAgain(design: Design, step: Step): Design {
  const wired = { ...design, wires: { ...design.wires, done: without(design.wires.done, step.wires) } };
  return changed(wired, ({ done, skipped }) => ({
    done: without(done, [step.id]),
    skipped: without(skipped, [step.id]),
  }));
}

export const skipStep = (design: Design, id: string): Design =>
  changed(design, ({ skipped }) => ({ skipped: withAll(skipped, [id]) }));

export const unskipStep = (design: Design, id: string): Design =>
  changed(design, ({ skipped }) => ({ skipped: without(skipped, [id]) }));

/** An empty note is none. */
export const noteStep = (design: Design, id: string, text: string): Design =>
  changed(design, ({ notes }) => ({
    notes: Object.fromEntries([
      ...Object.entries(notes).filter(([one]) => one !== id),
      ...(text === "" ? [] : [[id, text]]),
    ]),
  }));

/** Minutes on a step that is not finished yet. */
export const timeSpent = (design: Design, id: string, minutes: number): Design =>
  changed(design, ({ minutes: known }) => ({ minutes: spent(known, id, minutes) }));

export function setBoardWay(
  design: Design,
  boardId: string,
  change: { way?: BoardWay; smallParts?: SmallPartWay },
): Design {
  const way = { ...boardWayOf(design, boardId), ...change };
  return changed(design, ({ boards }) => ({ boards: { ...boards, [boardId]: way } }));
}

export const setModuleWay = (design: Design, controllerId: string, way: ModuleWay): Design =>
  changed(design, ({ modules }) => ({ modules: { ...modules, [controllerId]: way } }));

/** The next one of its kind: nothing of it is done, what was noted and how it is made stays. */
export function nextDevice(design: Design): Design {
  const fresh = { ...design, wires: { ...design.wires, done: [] } };
  return changed(fresh, ({ device = 1 }) => ({
    device: Math.min(10_000, device + 1),
    done: [],
    skipped: [],
    minutes: {},
  }));
}

/** Says which one of its kind it is. */
export const setDevice = (design: Design, device: number): Design => changed(design, () => ({ device }));
