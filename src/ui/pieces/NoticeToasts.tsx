"use client";

import { Box, Button, Toast, Toaster, createToaster } from "@chakra-ui/react";
import { useEffect } from "react";
import { type Notice, useNotices } from "./noticeQueue";

const board = createToaster({ placement: "bottom-end", pauseOnPageIdle: true, max: 3 });

const LONG_MS = 9000;

const show = ({ words, action }: Notice) => board.create({ title: words, action, duration: LONG_MS });

/** Shows what waits to be told, and everything told from now on. */
export function NoticeToasts() {
  const waiting = useNotices((state) => state.waiting);
  useEffect(() => {
    if (waiting.length === 0) return;
    // The toaster listens from a microtask after it was mounted on; what it is told before that, it forgets.
    const soon = setTimeout(() => {
      useNotices.setState({ waiting: [] });
      waiting.forEach(show);
    });
    return () => clearTimeout(soon);
  }, [waiting]);
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
