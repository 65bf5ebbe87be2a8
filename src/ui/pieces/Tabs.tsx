"use client";

import { Box } from "@chakra-ui/react";
import type { ReactNode } from "react";

interface TabsProps<T extends string> {
  /** What the sheets belong to, for those who hear the page. */
  label: string;
  tabs: { id: T; title: string }[];
  open: T;
  onOpen: (id: T) => void;
  children: ReactNode;
}

/** Sheets of a tray, one open at a time. */
export function Tabs<T extends string>({ label, tabs, open, onOpen, children }: TabsProps<T>) {
  return (
    <>
      <Box role="tablist" aria-label={label} display="flex" gap="2px" margin="6px -6px 0">
        {tabs.map(({ id, title }) => (
          <button
            key={id}
            role="tab"
            aria-selected={open === id}
            onClick={() => onOpen(id)}
            style={{
              flex: 1,
              padding: "6px 4px",
              borderBottom: `3px solid ${open === id ? "var(--saffron)" : "var(--edge)"}`,
              fontWeight: open === id ? 700 : 400,
            }}
          >
            {title}
          </button>
        ))}
      </Box>
      <Box role="tabpanel" aria-label={tabs.find(({ id }) => id === open)?.title}>
        {children}
      </Box>
    </>
  );
}
