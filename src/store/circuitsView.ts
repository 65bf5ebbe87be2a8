import { create } from "zustand";

export type CircuitsTab = "current" | "levels" | "time" | "analog" | "drawing";

/** What the tray of the circuits is busy with. */
export const useCircuitsView = create<{ tab: CircuitsTab }>(() => ({ tab: "current" }));

export const openCircuitsTab = (tab: CircuitsTab): void => useCircuitsView.setState({ tab });
