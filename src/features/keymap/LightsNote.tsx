"use client";

import { Box } from "@chakra-ui/react";
import { later } from "@/ui/pieces/later";
import { useState } from "react";
import { derive } from "@/core/derived/derive";
import { glowWords } from "@/core/keymap/glowWords";
import { useDesign } from "@/store/bench";
import { useHand } from "@/store/hand";
import { GlowSwatch } from "./GlowSwatch";
import { PlainButton } from "@/ui/pieces/buttons";
import { Row, Section } from "@/ui/pieces/sheets";

/** Their fields, and a list that is sorted by hand, come when somebody wants to change them. */
const GlowsSection = later(() => import("./GlowsSection").then((m) => m.GlowsSection));

/** What lights show, in words; in full once it is asked for, or a light is in hand. */
export function LightsNote() {
  const design = useDesign();
  const [isOpen, setOpen] = useState(false);
  const isInHand = useHand(({ selection }) =>
    selection.some((id) => derive(design).controls.get(id)?.kind === "light"),
  );
  if (isOpen || isInHand) return <GlowsSection />;
  const glows = design.keymap.glows ?? [];
  return (
    <Section title="Lights">
      {glows.length === 0 && <Box color="var(--faint)">Nothing says what they show; they stay dark.</Box>}
      {glows.map((glow) => (
        <Box key={glow.id} display="flex" gap="8px">
          <GlowSwatch shows={glow.shows} />
          <Box>{glowWords(glow, design)}</Box>
        </Box>
      ))}
      <Row>
        <PlainButton onClick={() => setOpen(true)}>
          {glows.length === 0 ? "Let lights glow" : "Change what lights show"}
        </PlainButton>
      </Row>
    </Section>
  );
}
