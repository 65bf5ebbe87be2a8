import { useEffect } from "react";
import { create } from "zustand";
import type { Design } from "@/core/document/schema";
import type { SupplyView } from "@/core/power/supplyView";
import { checking } from "@/workers/checking";
import { NewestOnly } from "./newestOnly";

interface Seen {
  /** The design that the view is of; null before the first is known. */
  design: Design | null;
  view: SupplyView | null;
  trouble: string | null;
}

const useSeen = create<Seen>(() => ({ design: null, view: null, trouble: null }));

const looking = new NewestOnly<Design, SupplyView | null>(
  (design) => checking().supply(design),
  (design, view) => useSeen.setState({ design, view, trouble: null }),
  (design, error) => useSeen.setState({ design, view: null, trouble: String(error) }),
);

/** Currents of the design in hand, worked out aside; of its last state while the newest is being looked over. */
export function useSupplyView(design: Design): Omit<Seen, "design"> & { isKnown: boolean } {
  useEffect(() => looking.ask(design), [design]);
  const seen = useSeen();
  const isKnown = seen.design?.id === design.id;
  return { view: isKnown ? seen.view : null, trouble: isKnown ? seen.trouble : null, isKnown };
}
