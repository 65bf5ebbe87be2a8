"use client";

import { Box, Button, Toast, Toaster, createToaster } from "@chakra-ui/react";

const board = createToaster({ placement: "bottom-end", pauseOnPageIdle: true, max: 3 });

const LONG_MS = 9000;

/** Tells something in passing, with a way back where there is one. */
export function notify(words: string, action?: { label: string; onClick: () => void }): void {
  board.create({ title: words, action, duration: LONG_MS });
}

export function NoticeBoard() {
  return (
    <Toaster toaster={board} insetInline="16px">
      {(notice) => (
        <Toast.Root bg="var(--ink)" color="var(--sheet)" borderRadius="3px" width="360px" padding="10px 12px">
          <Box flex="1">
            <Toast.Title fontSize="14px" fontWeight="500">
              {notice.title}
            </Toast.Title>
          </Box>
          {notice.action && (
            <Button
              size="xs"
              bg="var(--saffron)"
              color="var(--saffron-ink)"
              onClick={() => {
                notice.action!.onClick();
                board.dismiss(notice.id);
              }}
            >
              {notice.action.label}
            </Button>
          )}
          <Toast.CloseTrigger color="var(--sheet)" />
        </Toast.Root>
      )}
    </Toaster>
  );
}
