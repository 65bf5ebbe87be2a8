"use client";

import { later } from "@/ui/pieces/later";
import { type CircuitsTab, openCircuitsTab, useCircuitsView } from "@/store/circuitsView";
import { Tabs } from "@/ui/pieces/Tabs";
import { CurrentTab } from "./CurrentTab";

const LevelsTab = later(() => import("./LevelsTab").then((m) => m.LevelsTab));
const TimeTab = later(() => import("./TimeTab").then((m) => m.TimeTab));
const AnalogTab = later(() => import("./AnalogTab").then((m) => m.AnalogTab));
const DrawingTab = later(() => import("./DrawingTab").then((m) => m.DrawingTab));

const TABS: { id: CircuitsTab; title: string }[] = [
  { id: "current", title: "Current" },
  { id: "levels", title: "Levels" },
  { id: "time", title: "Time" },
  { id: "analog", title: "Analog" },
  { id: "drawing", title: "Drawing" },
];

/** What the parts around the controller need, and whether this design gives it to them. */
export function CircuitsTray() {
  const tab = useCircuitsView((state) => state.tab);
  const open = TABS.some(({ id }) => id === tab) ? tab : "current";
  return (
    <Tabs label="Sheets of the circuits" tabs={TABS} open={open} onOpen={openCircuitsTab}>
      {open === "current" && <CurrentTab />}
      {open === "levels" && <LevelsTab />}
      {open === "time" && <TimeTab />}
      {open === "analog" && <AnalogTab />}
      {open === "drawing" && <DrawingTab />}
    </Tabs>
  );
}
