"use client";

import { useEffect } from "react";
import { useDesign } from "@/store/bench";
import { readPaceLog } from "@/store/paceLog";
import { type MakeTab, openMakeTab, takeUpAgain, useStepInHand } from "@/store/stepInHand";
import { Tabs } from "@/ui/pieces/Tabs";
import { later } from "@/ui/pieces/later";
import { StepsTab } from "./StepsTab";

const TimeTab = later(() => import("./TimeTab").then((m) => m.TimeTab));

const PartsTab = later(() => import("./PartsTab").then((m) => m.PartsTab));

const CaseTab = later(() => import("./CaseTab").then((m) => m.CaseTab));

const StackTab = later(() => import("./StackTab").then((m) => m.StackTab));

const TABS: { id: MakeTab; title: string }[] = [
  { id: "steps", title: "Steps" },
  { id: "time", title: "Time" },
  { id: "parts", title: "Parts" },
  { id: "stack", title: "Stack" },
  { id: "case", title: "Case" },
];

/** What to do in which order, how long it takes, and what it is made of. */
export function MakeTray() {
  const { id } = useDesign();
  const tab = useStepInHand((state) => state.tab);
  useEffect(() => void takeUpAgain(id), [id]);
  useEffect(() => void readPaceLog(), []);
  return (
    <Tabs label="Sheets of the making" tabs={TABS} open={tab} onOpen={openMakeTab}>
      {tab === "steps" && <StepsTab />}
      {tab === "time" && <TimeTab />}
      {tab === "parts" && <PartsTab />}
      {tab === "stack" && <StackTab />}
      {tab === "case" && <CaseTab />}
    </Tabs>
  );
}
