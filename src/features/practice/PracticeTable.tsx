"use client";

import { Box } from "@chakra-ui/react";
import type { DrillSort } from "@/core/practice/run";
import { usePractice } from "@/store/practiceInHand";
import { later } from "@/ui/pieces/later";
import { useDrill } from "./usePracticeOf";

const TypePanel = later(() => import("./TypePanel").then((m) => m.TypePanel));
const PressPanel = later(() => import("./PressPanel").then((m) => m.PressPanel));
const TurnPanel = later(() => import("./TurnPanel").then((m) => m.TurnPanel));
const FollowPanel = later(() => import("./FollowPanel").then((m) => m.FollowPanel));
const FindPanel = later(() => import("./FindPanel").then((m) => m.FindPanel));
const DayCharts = later(() => import("./DayCharts").then((m) => m.DayCharts));

const PANELS: Record<DrillSort, typeof TypePanel> = {
  type: TypePanel,
  press: PressPanel,
  turn: TurnPanel,
  follow: FollowPanel,
  find: FindPanel,
};

/** Beneath the mat: the drill in hand, or how the days went. */
export function PracticeTable() {
  const tab = usePractice((state) => state.tab);
  const drill = useDrill();
  if (tab !== "drill") return <DayCharts />;
  if (!drill) return <Box padding="16px">Nothing to practise on yet.</Box>;
  const Panel = PANELS[drill];
  return <Panel />;
}
