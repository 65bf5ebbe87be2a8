import { create } from "zustand";
import type { SplitProposal } from "@/core/making/splitLine";

export type LayoutTab = "place" | "boards" | "fit" | "caps" | "reach";

interface LayoutView {
  tab: LayoutTab;
  /** The board whose drawn corners can be moved on the mat. */
  outlineOf: string | null;
  /** A seam that is being looked at. */
  seam: { boardId: string; proposal: SplitProposal } | null;
}

/** What the layout's tray is busy with; it shows on the mat too. */
export const useLayoutView = create<LayoutView>(() => ({ tab: "place", outlineOf: null, seam: null }));

export const openTab = (tab: LayoutTab): void => useLayoutView.setState({ tab, seam: null });
export const showSeam = (seam: LayoutView["seam"]): void => useLayoutView.setState({ seam });
export const pickOutline = (outlineOf: string | null): void => useLayoutView.setState({ outlineOf });
