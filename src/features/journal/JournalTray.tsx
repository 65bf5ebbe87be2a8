"use client";

import { type JournalTab, openJournalTab, useJournal } from "@/store/journalInHand";
import { Tabs } from "@/ui/pieces/Tabs";
import { later } from "@/ui/pieces/later";
import { EntriesTab } from "./EntriesTab";

const RevisionsTab = later(() => import("./RevisionsTab").then((m) => m.RevisionsTab));
const PlanTab = later(() => import("./PlanTab").then((m) => m.PlanTab));

const TABS: { id: JournalTab; title: string }[] = [
  { id: "entries", title: "Entries" },
  { id: "revisions", title: "Revisions" },
  { id: "plan", title: "Outcome" },
];

/** What happened, what was frozen, and what became of the plan. */
export function JournalTray() {
  const tab = useJournal((state) => state.tab);
  return (
    <Tabs label="Sheets of the journal" tabs={TABS} open={tab} onOpen={openJournalTab}>
      {tab === "entries" && <EntriesTab />}
      {tab === "revisions" && <RevisionsTab />}
      {tab === "plan" && <PlanTab />}
    </Tabs>
  );
}
