"use client";

import { Box } from "@chakra-ui/react";
import type { Design } from "@/core/document/schema";
import { hostKinds, unlistedKinds } from "@/core/hid/hostKinds";
import { Section, Values } from "@/ui/pieces/sheets";

/** As what a computer knows the device. */
export function listedRows(design: Design): [string, string][] {
  const { productName, maker } = design.reportSet;
  const kinds = hostKinds(design);
  const unlisted = unlistedKinds(design);
  const own =
    unlisted > 0 ? [`${unlisted === 1 ? "one interface" : `${unlisted} interfaces`} for programs of one’s own`] : [];
  return [
    ["Name", `${productName}, by ${maker}`],
    ["Kinds", [...kinds, ...own].join("; ") || "nothing: the device declares no report"],
  ];
}

/** The computer that stands in: what it lists, and a window of its own. */
export function ComputerSection({ design }: { design: Design }) {
  return (
    <Section title="The computer">
      <Values rows={listedRows(design)} />
      <Box asChild color="var(--line)" textDecoration="underline" alignSelf="start">
        <a href={`/computer/${encodeURIComponent(design.id)}`} target="_blank" rel="noreferrer">
          Let it have a window of its own
        </a>
      </Box>
    </Section>
  );
}
