"use client";

import type { Design } from "@/core/document/schema";
import { remedies } from "@/core/edits/remedies";
import { type Conflict, canPlaceAll, pinConflict } from "@/core/pins/conflict";
import { counted, listed } from "@/core/words";
import { PlainButton } from "@/ui/pieces/buttons";
import { Section } from "@/ui/pieces/sheets";

interface ConflictSectionProps {
  /** As the controller sees it. */
  design: Design;
  change: (title: string, made: (half: Design) => Design) => void;
}

/** Which needs clash, and what would help; each way out was tried. */
export function ConflictSection({ design, change }: ConflictSectionProps) {
  if (canPlaceAll(design)) return null;
  const conflict = pinConflict(design);
  const ways = remedies(design);
  return (
    <Section title="This cannot be done">
      {conflict && <ConflictWords conflict={conflict} />}
      {!conflict && <div>There are fewer usable pins than nets that need one.</div>}
      {ways.map((way) => (
        <PlainButton
          key={way.title}
          height="auto"
          minHeight="30px"
          whiteSpace="normal"
          textAlign="left"
          justifyContent="flex-start"
          onClick={() => change(way.title.toLowerCase(), way.apply)}
        >
          {way.title}
        </PlainButton>
      ))}
      {ways.length === 0 && <div>No single change helps: leave out several parts, or write a class of your own.</div>}
    </Section>
  );
}

function ConflictWords({ conflict: { nets, pins, locks } }: { conflict: Conflict }) {
  const names = nets.map(({ flag }) => flag);
  return (
    <div>
      {names.length > 12 ? `${counted(names.length, "net")} (${listed(names.slice(0, 4))} …)` : listed(names)} share{" "}
      {counted(pins.length, "pin")} that can serve them
      {locks.length > 0 ? `, and ${listed(locks.map(({ flag }) => flag))} cannot move` : ""}. Without any one of them
      the rest fits.
    </div>
  );
}
