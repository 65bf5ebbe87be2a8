"use client";

import { Box } from "@chakra-ui/react";
import type { DifferenceSort } from "@/core/compare/differences";
import type { ToldComparison } from "@/core/compare/toldComparison";
import { useDesign } from "@/store/bench";
import { useCompared } from "@/store/comparison";
import { select, useHand } from "@/store/hand";
import { Table, type TableColumn } from "@/ui/pieces/Table";

const SORTS: Record<DifferenceSort, string> = {
  new: "New",
  gone: "Gone",
  moved: "Moved",
  renamed: "Renamed",
  changed: "Changed",
  rewired: "Rewired",
  repinned: "On another pin",
  rebound: "Rebound",
  settings: "Settings",
  record: "Record",
};

interface Line {
  id: string;
  sort: string;
  words: string;
  controlIds: string[];
}

const linesOf = ({ differences, findings }: ToldComparison): Line[] => [
  ...differences.map(({ sort, about, words, controlIds }) => ({
    id: `${sort} ${about}`,
    sort: SORTS[sort],
    words,
    controlIds,
  })),
  ...findings.gone.map((words, nth) => ({ id: `gone ${nth}`, sort: "Finding gone", words, controlIds: [] })),
  ...findings.fresh.map((words, nth) => ({ id: `fresh ${nth}`, sort: "Finding new", words, controlIds: [] })),
];

/** What two revisions differ in, a line for each thing that people would name. */
export function ComparisonTable() {
  const design = useDesign();
  const { compared, from } = useCompared(design);
  const selection = useHand((state) => state.selection);
  const there = new Set(design.controls.map(({ id }) => id));
  const columns: TableColumn<Line>[] = [
    { title: "What", width: "140px", cell: ({ sort }) => sort },
    { title: "Words", cell: ({ words }) => <Box whiteSpace="normal">{words}</Box> },
  ];
  if (from === null)
    return (
      <Box padding="16px" color="var(--faint)">
        No revision is frozen yet. Freeze the design in the tray; what changes from then on is listed here and shown on
        the mat.
      </Box>
    );
  return (
    <Table
      label="Differences of two revisions"
      rows={compared?.told ? linesOf(compared.told) : []}
      columns={columns}
      rowId={({ id }) => id}
      isSelected={({ controlIds }) => controlIds.length > 0 && controlIds.every((id) => selection.includes(id))}
      onPick={({ controlIds }) => select(controlIds.filter((id) => there.has(id)))}
      empty={compared ? "Nothing is different." : "Comparing …"}
    />
  );
}
