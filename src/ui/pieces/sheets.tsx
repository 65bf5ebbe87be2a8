"use client";

import { Box, Dialog, Portal } from "@chakra-ui/react";
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

interface SlipProps {
  title: string;
  open: boolean;
  onClose: () => void;
  children: ReactNode;
  actions?: ReactNode;
  /** Something must be decided before work goes on. */
  urgent?: boolean;
}

/** A paper slip over the bench. */
export function Slip({ title, open, onClose, children, actions, urgent }: SlipProps) {
  return (
    <Dialog.Root
      open={open}
      onOpenChange={(details) => !details.open && onClose()}
      role={urgent ? "alertdialog" : "dialog"}
      closeOnInteractOutside={!urgent}
    >
      <Portal>
        <Dialog.Backdrop bg="rgba(6, 24, 27, 0.55)" />
        <Dialog.Positioner>
          <Dialog.Content
            bg="var(--sheet)"
            color="var(--ink)"
            borderRadius="4px"
            borderTop="6px solid var(--saffron)"
            maxWidth="560px"
          >
            <Dialog.Header padding="16px 20px 8px">
              <Dialog.Title fontSize="17px">{title}</Dialog.Title>
            </Dialog.Header>
            <Dialog.Body padding="0 20px 16px">{children}</Dialog.Body>
            {actions && <Dialog.Footer padding="0 20px 16px">{actions}</Dialog.Footer>}
          </Dialog.Content>
        </Dialog.Positioner>
      </Portal>
    </Dialog.Root>
  );
}
