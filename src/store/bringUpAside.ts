import { create } from "zustand";
import type { BringUpView } from "@/core/bringup/view";
import type { Design } from "@/core/document/schema";
import { startSearch } from "@/workers/planning";
import { asideOf } from "./aside";

let search: ReturnType<typeof startSearch> | null = null;

/** A worker of its own: what it reckons with is kept there from one test to the next. */
export const bringUpTasks = () => (search ??= startSearch()).tasks;

/** What the tests of the design in hand say. */
export const useBringUp = asideOf<BringUpView>((design: Design) => bringUpTasks().bringUp(design));

/** The device that is tested: one in the hand, or the stand-in with faults in it. */
interface UnderTest {
  isStandIn: boolean;
  faultIds: string[];
  /** Nobody was told which. */
  isHidden: boolean;
  /** What the one in the hand types is taken as what came. */
  isListening: boolean;
  /** It was loaded with the keymap for tests, not with its own. */
  hasTestKeymap: boolean;
}

export const useUnderTest = create<UnderTest>(() => ({
  isStandIn: false,
  faultIds: [],
  isHidden: false,
  isListening: false,
  hasTestKeymap: false,
}));

export const setListening = (isListening: boolean): void => useUnderTest.setState({ isListening });

export const setTestKeymap = (hasTestKeymap: boolean): void => useUnderTest.setState({ hasTestKeymap });

export const testByHand = (): void => useUnderTest.setState({ isStandIn: false, faultIds: [], isHidden: false });

export const testStandIn = (faultIds: string[], isHidden: boolean): void =>
  useUnderTest.setState({ isStandIn: true, faultIds, isHidden, isListening: false });

/** The stand-in without the fault that was mended, if it has it. */
export const mendStandIn = (gone: (id: string) => boolean): void =>
  useUnderTest.setState(({ faultIds }) => ({ faultIds: faultIds.filter((id) => !gone(id)) }));

export const showHidden = (): void => useUnderTest.setState({ isHidden: false });
