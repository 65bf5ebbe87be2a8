"use client";

import type { Design } from "@/core/document/schema";
import { useSupplyView } from "@/store/circuitsAside";
import { CurrentsLens } from "@/ui/lenses/CurrentsLens";

/** The lens of currents, with what was worked out aside. */
export function LoadsOnMat({ design }: { design: Design }) {
  const { view } = useSupplyView(design);
  return <CurrentsLens design={design} loads={view?.wires ?? []} />;
}
