"use client";

import { Box } from "@chakra-ui/react";
import type { Design } from "@/core/document/schema";
import { movableEnds } from "@/core/engine/movable";
import { flipElement, pressElement, spinElement, turnElement, useSession } from "@/store/session";
import { PlainButton } from "@/ui/pieces/buttons";
import { Section } from "@/ui/pieces/sheets";

/** Ends that are too small or too many to be found on the mat: every turn, and contacts beyond a control's first. */
export function EndsSection({ design }: { design: Design }) {
  const held = useSession((state) => state.held);
  const ends = design.controls.flatMap((control) => {
    const movable = movableEnds(control);
    const contacts = movable.filter(({ kind }) => kind === "switch");
    return movable
      .filter((end) => end.kind === "quadrature" || contacts.length > 1)
      .map((end) => ({ end, others: contacts.filter(({ id, stays }) => stays && id !== end.id).map(({ id }) => id) }));
  });
  return (
    <Section title="Turn and tilt">
      {ends.map(({ end, others }) => (
        <Box key={end.id} display="flex" alignItems="center" gap="8px">
          <Box flex="1">{end.label}</Box>
          {end.kind === "quadrature" ? (
            <>
              <PlainButton aria-label={`Turn ${end.label} anticlockwise`} onClick={() => turnElement(end.id, -1)}>
                ↺
              </PlainButton>
              <PlainButton aria-label={`Turn ${end.label} clockwise`} onClick={() => turnElement(end.id, 1)}>
                ↻
              </PlainButton>
              <PlainButton
                aria-label={`Spin ${end.label}`}
                title={`Once round at ${design.brief.wish.turnsPerSecond} turns a second, the fastest that the brief wishes: are all steps told?`}
                onClick={() => spinElement(end.id)}
              >
                Spin
              </PlainButton>
            </>
          ) : (
            <PlainButton
              aria-label={`Press ${end.label}`}
              aria-pressed={held.includes(end.id)}
              onClick={() => (end.stays ? flipElement(end.id, others) : tap(end.id))}
            >
              {end.stays ? "Flip" : "Press"}
            </PlainButton>
          )}
        </Box>
      ))}
    </Section>
  );
}

/** A press of the shortest time that a finger takes. */
function tap(elementId: string) {
  pressElement(elementId, true);
  pressElement(elementId, false);
}
