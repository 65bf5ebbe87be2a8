"use client";

import { Box } from "@chakra-ui/react";
import type { ReactNode } from "react";

/** A headed part of the tray. */
export function Section({ title, children, aside }: { title: string; children: ReactNode; aside?: ReactNode }) {
  return (
    <Box
      as="section"
      aria-label={title}
      paddingBlock="10px"
      borderBottom="1px solid var(--edge)"
      _last={{ borderBottom: "none" }}
    >
      <Box display="flex" alignItems="baseline" justifyContent="space-between" marginBottom="8px">
        <Box as="h3" fontSize="14px" fontWeight="700">
          {title}
        </Box>
        {aside}
      </Box>
      <Box display="flex" flexDirection="column" gap="8px">
        {children}
      </Box>
    </Box>
  );
}

/** Values with their names, numbers aligned. */
export function Values({ rows }: { rows: [name: string, value: ReactNode][] }) {
  return (
    <Box as="dl" display="grid" gridTemplateColumns="1fr auto" columnGap="12px" rowGap="4px">
      {rows.map(([name, value]) => (
        <Box key={name} display="contents">
          <Box as="dt" color="var(--faint)">
            {name}
          </Box>
          <Box as="dd" fontFamily="mono" textAlign="right">
            {value}
          </Box>
        </Box>
      ))}
    </Box>
  );
}

export const Row = ({ children }: { children: ReactNode }) => (
  <Box display="flex" gap="8px" flexWrap="wrap">
    {children}
  </Box>
);

export const Columns = ({ children, count = 2 }: { children: ReactNode; count?: number }) => (
  <Box display="grid" gap="8px" gridTemplateColumns={`repeat(${count}, minmax(0, 1fr))`} alignItems="start">
    {children}
  </Box>
);
