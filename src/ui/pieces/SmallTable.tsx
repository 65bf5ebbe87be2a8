"use client";

import { Box } from "@chakra-ui/react";
import type { ReactNode } from "react";

/** A small table of words and numbers in the tray; the first column is the name. */
export function SmallTable({ label, heads, rows }: { label: string; heads: string[]; rows: ReactNode[][] }) {
  return (
    <Box
      as="table"
      aria-label={label}
      width="100%"
      css={{
        "& td, & th": { textAlign: "right", padding: "2px 0 2px 8px", verticalAlign: "top" },
        "& th": { color: "var(--faint)", fontWeight: 500, fontSize: "13px" },
        "& th:first-of-type, & td:first-of-type": { textAlign: "left", paddingLeft: 0 },
        "& td:not(:first-of-type)": { fontFamily: "var(--chakra-fonts-mono)", whiteSpace: "nowrap" },
      }}
    >
      <thead>
        <tr>
          {heads.map((head) => (
            <th key={head}>{head}</th>
          ))}
        </tr>
      </thead>
      <tbody>
        {rows.map((cells, nth) => (
          <tr key={nth}>
            {cells.map((cell, at) => (
              <td key={at}>{cell}</td>
            ))}
          </tr>
        ))}
      </tbody>
    </Box>
  );
}
