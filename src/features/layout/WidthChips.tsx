"use client";

import { PlainButton } from "@/ui/pieces/buttons";
import { Row } from "@/ui/pieces/sheets";

/** Usual cap widths in units (common practice). */
const WIDTHS = [1, 1.25, 1.5, 1.75, 2, 2.25, 2.75, 6.25, 7];

/** The usual widths, one click each. */
export function WidthChips({ onWidth, current }: { onWidth: (widthU: number) => void; current: number | null }) {
  return (
    <Row>
      {WIDTHS.map((width) => (
        <PlainButton
          key={width}
          height="26px"
          paddingInline="7px"
          fontFamily="mono"
          fontSize="13px"
          aria-label={`Width ${width} units`}
          aria-pressed={width === current}
          bg={width === current ? "var(--paper)" : "var(--sheet)"}
          onClick={() => onWidth(width)}
        >
          {width}
        </PlainButton>
      ))}
    </Row>
  );
}
