import { create } from "zustand";

export type WiringTab = "circuits" | "matrix" | "ghosts" | "wires" | "lights" | "apart";

interface WiringView {
  tab: WiringTab;
  /** The circuit whose settings are shown. */
  circuitId: string | null;
  /** The wire in hand while walking them, by its key. */
  wireKey: string | null;
}

/** What the wiring's tray is busy with; it shows on the mat too. */
export const useWiringView = create<WiringView>(() => ({ tab: "circuits", circuitId: null, wireKey: null }));

export const openWiringTab = (tab: WiringTab): void => useWiringView.setState({ tab, wireKey: null });
export const pickCircuit = (circuitId: string | null): void => useWiringView.setState({ circuitId });
export const pickWire = (wireKey: string | null): void => useWiringView.setState({ wireKey });
