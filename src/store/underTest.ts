import { create } from "zustand";
import { currentDesign, useDesign } from "./bench";

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

const inTheHand: UnderTest = {
  isStandIn: false,
  faultIds: [],
  isHidden: false,
  isListening: false,
  hasTestKeymap: false,
};

/** The design whose device it is: another design has another device. */
const useKept = create<{ designId: string | null; device: UnderTest }>(() => ({ designId: null, device: inTheHand }));

const deviceOf = (designId: string | undefined, { designId: own, device }: ReturnType<typeof useKept.getState>) =>
  designId === own ? device : inTheHand;

/** The device under test of the design in hand. */
export function useUnderTest(): UnderTest {
  const { id } = useDesign();
  return useKept((kept) => deviceOf(id, kept));
}

/** The same outside of what is drawn. */
export const underTest = (): UnderTest => deviceOf(currentDesign()?.id, useKept.getState());

const change = (to: Partial<UnderTest>): void =>
  useKept.setState({ designId: currentDesign()?.id ?? null, device: { ...underTest(), ...to } });

export const setListening = (isListening: boolean): void => change({ isListening });

export const setTestKeymap = (hasTestKeymap: boolean): void => change({ hasTestKeymap });

export const testByHand = (): void => change({ isStandIn: false, faultIds: [], isHidden: false });

export const testStandIn = (faultIds: string[], isHidden: boolean): void =>
  change({ isStandIn: true, faultIds, isHidden, isListening: false });

/** The stand-in without the fault that was mended, if it has it. */
export const mendStandIn = (gone: (id: string) => boolean): void =>
  change({ faultIds: underTest().faultIds.filter((id) => !gone(id)) });

export const showHidden = (): void => change({ isHidden: false });
