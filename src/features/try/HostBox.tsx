"use client";

import { Box } from "@chakra-ui/react";
import { useOwnKeys } from "@/store/ownKeys";
import { useSession } from "@/store/session";

/** The computer's text field: it shows what the device types, and lends the person's keyboard to the device. */
export function HostBox() {
  const text = useSession((state) => state.text);
  const ownKeys = useOwnKeys();
  return (
    <Box
      role="textbox"
      data-own-keys=""
      aria-label="Typed text"
      aria-multiline="true"
      aria-readonly="true"
      tabIndex={0}
      minHeight="92px"
      maxHeight="180px"
      overflowY="auto"
      padding="8px 10px"
      bg="var(--paper)"
      border="1px solid var(--edge)"
      fontFamily="mono"
      whiteSpace="pre-wrap"
      wordBreak="break-word"
      {...ownKeys}
    >
      {text}
      <Box as="span" borderRight="2px solid var(--saffron)" aria-hidden />
    </Box>
  );
}
