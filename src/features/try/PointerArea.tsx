"use client";

import { Box } from "@chakra-ui/react";
import { placeNumbers, placeWords } from "@/core/hid/pointerPlace";
import { POINTER_BUTTONS } from "@/core/hid/pointerWords";
import { useSession } from "@/store/session";
import { Values } from "@/ui/pieces/sheets";

/** The screen, in counts; its edge holds the pointer, here it comes in again on the other side. */
const WIDE = 480;
const HIGH = 160;

const within = (counts: number, size: number) => ((counts % size) + size) % size;
const along = (part: number, counts: number, size: number) =>
  counts === 0 ? part * size : within(part * size + counts, size);
const signedWords = (counts: number, more: string, less: string) =>
  counts === 0 ? "–" : `${Math.abs(counts)} ${counts > 0 ? more : less}`;

/** Where the computer's pointer is, by its counts alone, and what is pressed and turned. */
export function PointerArea() {
  const { pointer, buttons, wheel, place } = useSession((state) => state.pointing);
  const [right, down] = pointer;
  const pressed = POINTER_BUTTONS.filter((_, nth) => (buttons >> nth) & 1);
  const from = place ?? { across: 0.5, down: 0.5 };
  // Put at the far edge it stays there; only movements come in again on the other side.
  const [x, y] = [along(from.across, right, WIDE), along(from.down, down, HIGH)];
  const where = `${place ? `${placeWords(place)}, and ` : ""}${right} right, ${down} down`;
  return (
    <>
      <Box as="figure" aria-label={`Pointer at ${where}`} role="img">
        <svg viewBox={`0 0 ${WIDE} ${HIGH}`} width="100%" style={{ display: "block", background: "var(--paper)" }}>
          <rect x={0.5} y={0.5} width={WIDE - 1} height={HIGH - 1} fill="none" stroke="var(--edge)" />
          <path
            d={`M${x} 0V${HIGH}M0 ${y}H${WIDE}`}
            stroke="var(--edge)"
            strokeDasharray="3 4"
            vectorEffect="non-scaling-stroke"
          />
          <circle
            cx={x}
            cy={y}
            r={pressed.length > 0 ? 11 : 7}
            fill={pressed.length > 0 ? "var(--saffron)" : "var(--ink)"}
          />
        </svg>
      </Box>
      <Values
        rows={[
          ...(place ? [["Put at", placeNumbers(place)] as [string, string]] : []),
          [
            place ? "Moved since" : "Moved",
            `${signedWords(right, "right", "left")}, ${signedWords(down, "down", "up")}`,
          ],
          ["Buttons down", pressed.join(", ") || "none"],
          ["Wheel", `${signedWords(wheel[0], "up", "down")}, ${signedWords(wheel[1], "right", "left")}`],
        ]}
      />
    </>
  );
}
