"use client";

import { Dialog as LibraryDialog, Portal } from "@chakra-ui/react";
import type { ReactNode } from "react";

interface DialogProps {
  title: string;
  open: boolean;
  onClose: () => void;
  children: ReactNode;
  actions?: ReactNode;
  /** Something must be decided before work goes on. */
  urgent?: boolean;
  /** Room for a drawing or a wide table. */
  wide?: boolean;
  /** Something in it takes Escape for itself just now. */
  keepsEscape?: boolean;
}

/** A dialog over the bench. */
export function Dialog({ title, open, onClose, children, actions, urgent, wide, keepsEscape }: DialogProps) {
  return (
    <LibraryDialog.Root
      open={open}
      onOpenChange={(details) => !details.open && onClose()}
      role={urgent ? "alertdialog" : "dialog"}
      closeOnInteractOutside={!urgent}
      closeOnEscape={!keepsEscape}
      // One that closed just before gives the focus back late, to what opened it: that is nobody's wish to leave this one.
      onFocusOutside={(event) => event.preventDefault()}
    >
      <Portal>
        <LibraryDialog.Backdrop bg="rgba(6, 24, 27, 0.55)" />
        <LibraryDialog.Positioner>
          <LibraryDialog.Content
            bg="var(--sheet)"
            color="var(--ink)"
            borderRadius="4px"
            borderTop="6px solid var(--saffron)"
            maxWidth={wide ? "1000px" : "560px"}
          >
            <LibraryDialog.Header padding="16px 20px 8px">
              <LibraryDialog.Title fontSize="17px">{title}</LibraryDialog.Title>
            </LibraryDialog.Header>
            <LibraryDialog.Body padding="0 20px 16px">{children}</LibraryDialog.Body>
            {actions && <LibraryDialog.Footer padding="0 20px 16px">{actions}</LibraryDialog.Footer>}
          </LibraryDialog.Content>
        </LibraryDialog.Positioner>
      </Portal>
    </LibraryDialog.Root>
  );
}
