import { derive } from "../derived/derive";
import type { Design } from "../document/schema";

/** Pin choices for nets that no longer exist are dropped. */
export function tidyPins(design: Design): Design {
  const { netById } = derive(design);
  const entries = Object.entries(design.pinPlan);
  const kept = entries.filter(([netId]) => netById.has(netId));
  return kept.length === entries.length ? design : { ...design, pinPlan: Object.fromEntries(kept) };
}
