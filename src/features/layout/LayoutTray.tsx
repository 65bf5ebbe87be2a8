"use client";

import { useBench, useDesign } from "@/store/bench";
import { BoardsSection } from "./BoardsSection";
import { ControlSection } from "./ControlSection";
import { PlaceSection } from "./PlaceSection";
import { SeveralSection } from "./SeveralSection";

/** What can be placed, and the numbers of what is selected. */
export function LayoutTray() {
  const design = useDesign();
  const selection = useBench((state) => state.selection);
  const chosen = design.controls.filter((control) => selection.includes(control.id));
  return (
    <>
      <PlaceSection />
      {chosen.length === 1 && <ControlSection key={chosen[0].id} control={chosen[0]} />}
      {chosen.length > 1 && <SeveralSection controls={chosen} />}
      {chosen.length === 0 && <BoardsSection />}
    </>
  );
}
