"use client";

import { Box, Table as LibraryTable } from "@chakra-ui/react";
import type { ReactNode } from "react";

export interface TableColumn<Row> {
  title: string;
  cell: (row: Row) => ReactNode;
  numeric?: boolean;
  width?: string;
}

interface TableProps<Row> {
  label: string;
  rows: Row[];
  columns: TableColumn<Row>[];
  rowId: (row: Row) => string;
  isSelected?: (row: Row) => boolean;
  /** Picks a row; `adding` with Ctrl or Shift. The first cell is the handle. */
  onPick?: (row: Row, adding: boolean) => void;
  empty: ReactNode;
}

const cell = {
  padding: "2px 8px",
  borderColor: "var(--edge)",
  fontSize: "14px",
  height: "32px",
  whiteSpace: "nowrap",
} as const;

/** The table beneath the mat: what can be picked there can be picked here. */
export function Table<Row>({ label, rows, columns, rowId, isSelected, onPick, empty }: TableProps<Row>) {
  if (rows.length === 0)
    return (
      <Box padding="16px" color="var(--faint)">
        {empty}
      </Box>
    );
  return (
    <LibraryTable.Root aria-label={label} stickyHeader bg="var(--sheet)" color="var(--ink)">
      <LibraryTable.Header>
        <LibraryTable.Row bg="var(--paper)">
          {columns.map((column) => (
            <LibraryTable.ColumnHeader
              key={column.title}
              {...cell}
              width={column.width}
              textAlign={column.numeric ? "right" : "left"}
              color="var(--faint)"
              fontWeight="600"
            >
              {column.title}
            </LibraryTable.ColumnHeader>
          ))}
        </LibraryTable.Row>
      </LibraryTable.Header>
      <LibraryTable.Body>
        {rows.map((row) => {
          const selected = isSelected?.(row) ?? false;
          return (
            <LibraryTable.Row
              key={rowId(row)}
              bg={selected ? "color-mix(in srgb, var(--saffron) 20%, var(--sheet))" : "var(--sheet)"}
              data-row={rowId(row)}
            >
              {columns.map((column, nth) => (
                <LibraryTable.Cell
                  key={column.title}
                  {...cell}
                  textAlign={column.numeric ? "right" : "left"}
                  fontFamily={column.numeric ? "mono" : undefined}
                >
                  {nth === 0 && onPick ? (
                    <button
                      aria-pressed={selected}
                      onClick={(event) => onPick(row, event.ctrlKey || event.metaKey || event.shiftKey)}
                      style={{ fontWeight: 600, textAlign: "left", width: "100%", minHeight: 24 }}
                    >
                      {column.cell(row)}
                    </button>
                  ) : (
                    column.cell(row)
                  )}
                </LibraryTable.Cell>
              ))}
            </LibraryTable.Row>
          );
        })}
      </LibraryTable.Body>
    </LibraryTable.Root>
  );
}
