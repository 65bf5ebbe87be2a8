import type { Debounce, Timing } from "../document/debounce";
import type { Design } from "../document/schema";

export const setTiming = (design: Design, change: Partial<Timing>): Design => ({
  ...design,
  timing: { ...design.timing, ...change },
});

/** Debounces the contacts of some controls otherwise than the rest; null takes them as all others again. */
export function setDebounceOf(design: Design, controlIds: string[], debounce: Debounce | null): Design {
  const others = Object.entries(design.timing.debounceOf).filter(([id]) => !controlIds.includes(id));
  const own = debounce ? controlIds.map((id): [string, Debounce] => [id, debounce]) : [];
  return setTiming(design, { debounceOf: Object.fromEntries([...others, ...own]) });
}
