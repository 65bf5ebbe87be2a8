import { create } from "zustand";

/** Whether the person was asked for a controller to load with the keymap for tests. */
export const useLoadingTests = create<{ isOpen: boolean }>(() => ({ isOpen: false }));

export const loadTests = (isOpen: boolean): void => useLoadingTests.setState({ isOpen });
