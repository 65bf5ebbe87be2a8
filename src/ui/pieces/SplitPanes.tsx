"use client";

import { Box } from "@chakra-ui/react";
import { type KeyboardEvent, type PointerEvent, type ReactNode, useRef } from "react";

interface SplitPanesProps {
  /** What the divider does, in words. */
  label: string;
  /** Height of the lower pane in percent. */
  share: number;
  onShare: (share: number) => void;
  upper: ReactNode;
  lower: ReactNode;
}

const LEAST = 4;
const MOST = 75;
const STEP = 5;

const within = (share: number) => Math.min(MOST, Math.max(LEAST, Math.round(share)));

/** Two panes above each other; the line between them is dragged or moved by the arrow keys. */
export function SplitPanes({ label, share, onShare, upper, lower }: SplitPanesProps) {
  const box = useRef<HTMLDivElement>(null);
  const follow = (event: PointerEvent) => {
    if (!event.currentTarget.hasPointerCapture(event.pointerId) || !box.current) return;
    const { bottom, height } = box.current.getBoundingClientRect();
    onShare(within((100 * (bottom - event.clientY)) / height));
  };
  const onKeyDown = (event: KeyboardEvent) => {
    const to = { ArrowUp: share + STEP, ArrowDown: share - STEP, Home: MOST, End: LEAST }[event.key];
    if (to === undefined) return;
    event.preventDefault();
    onShare(within(to));
  };
  return (
    <Box
      ref={box}
      flex="1"
      minHeight="0"
      display="grid"
      gridTemplateColumns="minmax(0, 1fr)"
      gridTemplateRows={`minmax(0, ${100 - share}fr) 6px minmax(0, ${share}fr)`}
    >
      <Box minHeight="0">{upper}</Box>
      <Box
        role="separator"
        aria-label={label}
        aria-orientation="horizontal"
        aria-valuenow={share}
        aria-valuemin={LEAST}
        aria-valuemax={MOST}
        tabIndex={0}
        bg="var(--edge)"
        cursor="row-resize"
        touchAction="none"
        onPointerDown={(event) => event.currentTarget.setPointerCapture(event.pointerId)}
        onPointerMove={follow}
        onKeyDown={onKeyDown}
      />
      <Box minHeight="0">{lower}</Box>
    </Box>
  );
}
