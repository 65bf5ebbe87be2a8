"use client";

import { Box } from "@chakra-ui/react";
import { type ComponentType, useEffect } from "react";
import type { DrillSort } from "@/core/practice/run";
import { beginTyping, usePractice } from "@/store/practiceInHand";
import { readLegends } from "@/store/hand";
import { StepButton } from "@/ui/pieces/buttons";
import { later } from "@/ui/pieces/later";
import { useDrill } from "./drills";

/** Lines and lessons come when somebody begins. */
function TypeStart() {
  const isTyping = usePractice((state) => state.isTyping);
  if (isTyping) return <TypePanel />;
  return (
    <Box padding="14px 18px" display="flex" flexDirection="column" gap="10px" alignItems="start">
      <div>
        Lessons come from the design: first where the fingers rest, then keys that lie elsewhere than the hands know,
        then what is new. Lines have more of what is slow or wrong.
      </div>
      <StepButton onClick={beginTyping}>Begin</StepButton>
    </Box>
  );
}

const TypePanel = later(() => import("./TypePanel").then((m) => m.TypePanel));
const PressPanel = later(() => import("./PressPanel").then((m) => m.PressPanel));
const TurnPanel = later(() => import("./TurnPanel").then((m) => m.TurnPanel));
const FollowPanel = later(() => import("./FollowPanel").then((m) => m.FollowPanel));
const FindPanel = later(() => import("./FindPanel").then((m) => m.FindPanel));
const DayCharts = later(() => import("./DayCharts").then((m) => m.DayCharts));

const PANELS: Record<DrillSort, ComponentType> = {
  type: TypeStart,
  press: PressPanel,
  turn: TurnPanel,
  follow: FollowPanel,
  find: FindPanel,
};

/** Beneath the mat: the drill in hand, or how the days went. */
export function PracticeTable() {
  const tab = usePractice((state) => state.tab);
  const drill = useDrill();
  // What is typed is found by legends; what is named, by its label.
  useEffect(() => readLegends(drill === "type"), [drill]);
  if (tab !== "drill") return <DayCharts />;
  if (!drill) return <Box padding="16px">Nothing to practise on yet.</Box>;
  const Panel = PANELS[drill];
  return <Panel />;
}
