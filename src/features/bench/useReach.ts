import { useEffect, useMemo, useState } from "react";
import type { Design } from "@/core/document/schema";
import type { ReachResult as Reach } from "@/core/reach/reach";
import type { LensId } from "@/ui/lenses/lens";

type ReachOf = (design: Design) => Reach;

/** How the fingers reach the design, under the reach lens; null under the others and until it has come. */
export function useReach(design: Design, lens: LensId): Reach | null {
  const [reachOf, setReachOf] = useState<ReachOf | null>(null);
  const isShown = lens === "reach";
  useEffect(() => {
    if (isShown) void import("@/core/reach/reach").then((m) => setReachOf(() => m.reachOf));
  }, [isShown]);
  return useMemo(() => (isShown && reachOf ? reachOf(design) : null), [isShown, reachOf, design]);
}

/** Presses of the text as warmth of a cap. */
export function warmth({ heat }: Reach, id: string): string {
  const most = Math.max(1, ...heat.values());
  return `color-mix(in srgb, #d9541e ${Math.round((90 * (heat.get(id) ?? 0)) / most)}%, var(--cap-plain))`;
}
