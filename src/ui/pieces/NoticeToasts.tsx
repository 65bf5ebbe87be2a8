"use client";

import { Box, Button, Toast, Toaster, createToaster } from "@chakra-ui/react";
import { useEffect } from "react";
import { type Notice, useNotices } from "./noticeQueue";

/** Notices lie beside the tray, not over it: it is there that the next click goes. */
const BESIDE_TRAY = "332px";
const board = createToaster({
  placement: "bottom-end",
  pauseOnPageIdle: true,
  max: 3,
  offsets: { top: "16px", bottom: "44px", left: "16px", right: BESIDE_TRAY },
});

/** A notice comes by itself, and may come between press and release of a click on what lies beneath: it lets it through. */
const throughAllButButtons = { pointerEvents: "none !important", "& button": { pointerEvents: "auto" } } as const;

const READ_MS = 9_000;
/** A way back must be read, weighed and reached. */
const WAY_BACK_MS = 30_000;

const show = ({ words, action }: Notice) =>
  board.create({ title: words, action, duration: action ? WAY_BACK_MS : READ_MS });

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
    <Toaster toaster={board}>
      {(notice) => (
        <Toast.Root
          css={throughAllButButtons}
          alignItems="center"
          gap="10px"
          bg="var(--ink)"
          color="var(--sheet)"
          borderRadius="3px"
          width="360px"
          padding="10px 12px"
        >
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
          <Toast.CloseTrigger color="var(--sheet)" position="static" />
        </Toast.Root>
      )}
    </Toaster>
  );
}
