import { useCallback, useEffect, useState } from "react";
import type { Control } from "@/core/catalogue/kinds";
import type { Design, Layer } from "@/core/document/schema";
import type { ReachResult as Reach } from "@/core/reach/reach";
import type { LensId } from "@/ui/lenses/lens";
import { type CapWords, capWords } from "./capWords";

type LegendWords = (design: Design, control: Control, layer: Layer) => CapWords;

/**
 * The words on a control under a lens; the legend lens reads from one layer. The names of usages come with the first
 * look at legends; until then labels stand on the caps.
 */
export function useCapWords(design: Design, lens: LensId, layer: Layer, reach: Reach | null) {
  const [legendWords, setLegendWords] = useState<LegendWords | null>(null);
  const isLegends = lens === "legends";
  useEffect(() => {
    if (isLegends) void import("./legendWords").then((m) => setLegendWords(() => m.legendWords));
  }, [isLegends]);
  return useCallback(
    (control: Control): CapWords =>
      isLegends && legendWords ? legendWords(design, control, layer) : capWords(design, control, lens, reach),
    [isLegends, legendWords, design, lens, layer, reach],
  );
}
