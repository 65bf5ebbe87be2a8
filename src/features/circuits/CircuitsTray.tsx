"use client";

import { type CircuitsTab, openCircuitsTab, useCircuitsView } from "@/store/circuitsView";
import { Tabs } from "@/ui/pieces/Tabs";
import { CurrentTab } from "./CurrentTab";

const TABS: { id: CircuitsTab; title: string }[] = [{ id: "current", title: "Current" }];

/** What the parts around the controller need, and whether this design gives it to them. */
export function CircuitsTray() {
  const tab = useCircuitsView((state) => state.tab);
  const open = TABS.some(({ id }) => id === tab) ? tab : "current";
  return (
    <Tabs label="Sheets of the circuits" tabs={TABS} open={open} onOpen={openCircuitsTab}>
      {open === "current" && <CurrentTab />}
    </Tabs>
  );
}
