"use client";

import { Box, chakra } from "@chakra-ui/react";
import { type KeyboardEvent, type ReactNode, useId } from "react";

interface TabsProps<T extends string> {
  /** What the sheets belong to, for those who hear the page. */
  label: string;
  tabs: { id: T; title: string }[];
  open: T;
  onOpen: (id: T) => void;
  children: ReactNode;
}

/** Where a key leads among so many tabs; null when it leads nowhere. */
function tabAfter(key: string, at: number, count: number): number | null {
  if (key === "ArrowRight") return (at + 1) % count;
  if (key === "ArrowLeft") return (at + count - 1) % count;
  if (key === "Home") return 0;
  return key === "End" ? count - 1 : null;
}

/**
 * Sheets of a tray, one open at a time; arrows, Home and End go from one to the next. After the tabs pattern of WAI-ARIA,
 * by hand: the library's tabs bring a tenth of what a first visit may fetch beside the framework.
 */
export function Tabs<T extends string>({ label, tabs, open, onOpen, children }: TabsProps<T>) {
  const name = useId();
  const step = (event: KeyboardEvent<HTMLButtonElement>, at: number) => {
    const next = tabAfter(event.key, at, tabs.length);
    if (next === null) return;
    event.preventDefault();
    onOpen(tabs[next].id);
    event.currentTarget.parentElement?.querySelectorAll<HTMLElement>("[role=tab]")[next]?.focus();
  };
  return (
    <>
      <Box role="tablist" aria-label={label} display="flex" gap="2px" margin="6px -6px 0">
        {tabs.map(({ id, title }, at) => (
          <chakra.button
            type="button"
            key={id}
            role="tab"
            id={`${name}-${id}`}
            aria-selected={open === id}
            aria-controls={`${name}-sheet`}
            tabIndex={open === id ? 0 : -1}
            onClick={() => onOpen(id)}
            onKeyDown={(event) => step(event, at)}
            flex={1}
            padding="6px 2px"
            borderBottom={`3px solid ${open === id ? "var(--saffron)" : "var(--edge)"}`}
            fontWeight={open === id ? 700 : 400}
          >
            {title}
          </chakra.button>
        ))}
      </Box>
      <Box role="tabpanel" id={`${name}-sheet`} aria-labelledby={`${name}-${open}`} tabIndex={0}>
        {children}
      </Box>
    </>
  );
}
