"use client";

import { useMemo } from "react";
import type { Design } from "@/core/document/schema";
import { useBringUp } from "@/store/bringUpAside";
import { FaultsLens } from "@/ui/lenses/FaultsLens";

/** Where the tests so far point, and what the next one touches. */
export function FaultsOnMat({ design }: { design: Design }) {
  const { view } = useBringUp(design);
  const suspicions = useMemo(
    () =>
      (view?.suspects ?? []).flatMap(({ at, share }) =>
        at.slice(0, 6).map((place, nth) => ({ at: place, share, isFirst: nth === 0 })),
      ),
    [view],
  );
  if (!view) return null;
  const { next } = view;
  const isPlaced = next?.deed.does === "meter" || next?.deed.does === "bend";
  return (
    <FaultsLens
      design={design}
      suspicions={suspicions}
      testedIds={next?.controlIds ?? []}
      testedAt={isPlaced ? next.at : []}
    />
  );
}
