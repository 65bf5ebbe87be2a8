"use client";

import { Tabs as LibraryTabs } from "@chakra-ui/react";
import type { ReactNode } from "react";

interface TabsProps<T extends string> {
  /** What the sheets belong to, for those who hear the page. */
  label: string;
  tabs: { id: T; title: string }[];
  open: T;
  onOpen: (id: T) => void;
  children: ReactNode;
}

/** Sheets of a tray, one open at a time; arrows, Home and End go from one to the next. */
export function Tabs<T extends string>({ label, tabs, open, onOpen, children }: TabsProps<T>) {
  return (
    <LibraryTabs.Root unstyled value={open} onValueChange={({ value }) => onOpen(value as T)}>
      <LibraryTabs.List aria-label={label} display="flex" gap="2px" margin="6px -6px 0">
        {tabs.map(({ id, title }) => (
          <LibraryTabs.Trigger
            key={id}
            value={id}
            flex={1}
            padding="6px 4px"
            borderBottom={`3px solid ${open === id ? "var(--saffron)" : "var(--edge)"}`}
            fontWeight={open === id ? 700 : 400}
          >
            {title}
          </LibraryTabs.Trigger>
        ))}
      </LibraryTabs.List>
      <LibraryTabs.Content value={open}>{children}</LibraryTabs.Content>
    </LibraryTabs.Root>
  );
}
