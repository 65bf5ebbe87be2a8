"use client";

import { Box } from "@chakra-ui/react";
import type { EntryKind } from "@/core/document/journalSettings";
import { entryKinds } from "@/core/document/journalSettings";
import { entryKindWords } from "@/core/journal/entryWords";
import { type RecordLine, timelineOf } from "@/core/journal/timeline";
import { useDesign } from "@/store/bench";
import { select, useHand } from "@/store/hand";
import { openJournalTab, pickEntry, showKind, showOfSelection, useJournal } from "@/store/journalInHand";
import { Checkbox, ChoiceField } from "@/ui/pieces/fields";
import { Table, type TableColumn } from "@/ui/pieces/Table";
import { later } from "@/ui/pieces/later";

const ComparisonTable = later(() => import("./ComparisonTable").then((m) => m.ComparisonTable));

/** Beneath the mat: the record line by line, or what two revisions differ in. */
export function JournalTable() {
  const tab = useJournal((state) => state.tab);
  return tab === "revisions" ? <ComparisonTable /> : <Timeline />;
}

const when = (at: string) => new Date(at).toLocaleString(undefined, { dateStyle: "medium", timeStyle: "short" });

function Timeline() {
  const design = useDesign();
  const { kind, isOfSelection, entryId } = useJournal();
  const selection = useHand((state) => state.selection);
  const all = timelineOf(design).reverse();
  const lines = all.filter(
    (line) =>
      (kind === null || line.kind === kind) &&
      (!isOfSelection || selection.length === 0 || line.partIds.some((id) => selection.includes(id))),
  );
  const there = new Set(all.map((line) => line.kind));
  const columns: TableColumn<RecordLine>[] = [
    { title: "When", width: "170px", cell: ({ at }) => when(at) },
    { title: "What", width: "110px", cell: ({ kindWords }) => kindWords },
    { title: "Value", width: "110px", numeric: true, cell: ({ value }) => value },
    {
      title: "Words",
      cell: ({ text, entry }) => (
        <Box whiteSpace="normal" lineClamp={2}>
          {entry?.isDone ? "Mended: " : ""}
          {text}
        </Box>
      ),
    },
    {
      title: "Tied to",
      cell: ({ parts }) => (
        <Box whiteSpace="normal" lineClamp={2}>
          {parts}
        </Box>
      ),
    },
    { title: "Photos", width: "70px", numeric: true, cell: ({ photos }) => photos.length || "" },
  ];
  return (
    <>
      {all.length > 0 && (
        <Box display="flex" gap="16px" alignItems="center" padding="6px 8px" borderBottom="1px solid var(--edge)">
          <Box width="150px">
            <ChoiceField
              label="Which entries"
              hideLabel
              value={kind ?? ""}
              choices={[
                { value: "", label: "all entries" },
                ...entryKinds
                  .filter((one) => there.has(one))
                  .map((one) => ({ value: one, label: entryKindWords[one] })),
              ]}
              onCommit={(one) => showKind(one === "" ? null : (one as EntryKind))}
            />
          </Box>
          <Checkbox label="of the selected parts only" checked={isOfSelection} onChange={showOfSelection} />
          <Box color="var(--faint)" fontSize="13px">
            {lines.length} of {all.length}
          </Box>
        </Box>
      )}
      <Table
        label="Journal"
        rows={lines}
        columns={columns}
        rowId={({ id }) => id}
        isSelected={({ id }) => id === entryId}
        onPick={(line) => {
          openJournalTab("entries");
          pickEntry(line.id === entryId ? null : line.id);
          if (line.partIds.length > 0) select(line.partIds);
        }}
        empty={
          all.length > 0
            ? "No entry of this kind, or of these parts."
            : "Nothing noted yet. Write down in the tray what happened, what was measured, what it cost, and what the next one should have; frozen revisions and repairs stand here too."
        }
      />
    </>
  );
}
