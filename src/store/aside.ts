import { useEffect } from "react";
import { create } from "zustand";
import type { Design } from "@/core/document/schema";
import { NewestOnly } from "./newestOnly";

interface Seen<View> {
  /** The design that the view is of; null before the first is known. */
  design: Design | null;
  view: View | null;
  trouble: string | null;
}

/** What a hook of this kind tells: the view, whether it is of this design, and why there is none. */
export type Aside<View> = Omit<Seen<View>, "design"> & { isKnown: boolean };

/**
 * A hook that has something of the design in hand worked out in another thread. While the newest is being worked out
 * it tells what was known of the last state.
 */
export function asideOf<View>(work: (design: Design) => Promise<View | null>): (design: Design) => Aside<View> {
  const useSeen = create<Seen<View>>(() => ({ design: null, view: null, trouble: null }));
  const looking = new NewestOnly<Design, View | null>(
    work,
    (design, view) => useSeen.setState({ design, view, trouble: null }),
    (design, error) => useSeen.setState({ design, view: null, trouble: String(error) }),
  );
  return function useAside(design) {
    useEffect(() => looking.ask(design), [design]);
    const seen = useSeen();
    const isKnown = seen.design?.id === design.id;
    return { view: isKnown ? seen.view : null, trouble: isKnown ? seen.trouble : null, isKnown };
  };
}
