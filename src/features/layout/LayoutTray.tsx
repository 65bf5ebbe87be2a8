"use client";

import { Box } from "@chakra-ui/react";
import { later } from "@/ui/pieces/later";
import { useDesign } from "@/store/bench";
import { useHand } from "@/store/hand";
import { type LayoutTab, openTab, useLayoutView } from "@/store/layoutView";
import { Tabs } from "@/ui/pieces/Tabs";
import { PlainButton } from "@/ui/pieces/buttons";
import { ControlSection } from "./ControlSection";
import { GroupSection } from "./GroupSection";
import { PlaceSection } from "./PlaceSection";
import { SeveralSection } from "./SeveralSection";

const ShapeSection = later(() => import("./ShapeSection").then((m) => m.ShapeSection));
const BoardsTab = later(() => import("./BoardsTab").then((m) => m.BoardsTab));
const FitTab = later(() => import("./FitTab").then((m) => m.FitTab));
const CapsTab = later(() => import("./CapsTab").then((m) => m.CapsTab));
const ReachTab = later(() => import("./ReachTab").then((m) => m.ReachTab));

const TABS: { id: LayoutTab; title: string }[] = [
  { id: "place", title: "Place" },
  { id: "boards", title: "Boards" },
  { id: "fit", title: "Fit" },
  { id: "caps", title: "Caps" },
  { id: "reach", title: "Reach" },
];

/** What can be placed, the numbers of what is selected, and what else belongs to a layout, a sheet each. */
export function LayoutTray() {
  const tab = useLayoutView((state) => state.tab);
  return (
    <Tabs label="Sheets of the layout" tabs={TABS} open={tab} onOpen={openTab}>
      {tab === "place" && <PlaceTab />}
      {(tab === "boards" || tab === "fit") && <SelectedLine />}
      {tab === "boards" && <BoardsTab />}
      {tab === "fit" && <FitTab />}
      {tab === "caps" && <CapsTab />}
      {tab === "reach" && <ReachTab />}
    </Tabs>
  );
}

/** Sheets that are not about the selection lead to it. */
function SelectedLine() {
  const count = useHand((state) => state.selection.length);
  if (count === 0) return null;
  return (
    <Box display="flex" gap="8px" alignItems="center" paddingTop="8px">
      {count} selected.
      <PlainButton height="26px" onClick={() => openTab("place")}>
        {count === 1 ? "Show its numbers" : "Show their numbers"}
      </PlainButton>
    </Box>
  );
}

function PlaceTab() {
  const design = useDesign();
  const selection = useHand((state) => state.selection);
  const chosen = design.controls.filter((control) => selection.includes(control.id));
  return (
    <>
      {chosen.length === 1 && <ControlSection key={chosen[0].id} control={chosen[0]} />}
      {chosen.length > 1 && <SeveralSection controls={chosen} />}
      {chosen.length > 0 && <GroupSection controls={chosen} />}
      <PlaceSection />
      {chosen.length === 0 && <ShapeSection />}
    </>
  );
}
