"use client";

import { Dialog, Portal } from "@chakra-ui/react";
import type { ReactNode } from "react";

interface SlipProps {
  title: string;
  open: boolean;
  onClose: () => void;
  children: ReactNode;
  actions?: ReactNode;
  /** Something must be decided before work goes on. */
  urgent?: boolean;
  /** Room for a drawing or a wide table. */
  wide?: boolean;
}

/** A paper slip over the bench. */
export function Slip({ title, open, onClose, children, actions, urgent, wide }: SlipProps) {
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
            maxWidth={wide ? "1000px" : "560px"}
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
