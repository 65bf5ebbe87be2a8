"use client";

import { Box } from "@chakra-ui/react";
import { useDesign } from "@/store/bench";
import { useBringUp } from "@/store/bringUpAside";
import { Section } from "@/ui/pieces/sheets";
import { EffortsSection } from "./EffortsSection";
import { RepairSection } from "./RepairSection";
import { StandInSection } from "./StandInSection";
import { SuspectsSection } from "./SuspectsSection";
import { TestCard } from "./TestCard";

/** One test at a time, what the answers point at, the repair, and which device is tested. */
export function BringUpTray() {
  const design = useDesign();
  const { view, trouble } = useBringUp(design);
  if (design.controls.length === 0)
    return (
      <Section title="Test">There is nothing to test yet: place parts in Layout, or start from the brief.</Section>
    );
  if (trouble) return <Section title="Test">The tests could not be worked out: {trouble}</Section>;
  if (!view)
    return (
      <Section title="Test">
        <Box role="status">Working out what may be wrong, and what each test would tell of it …</Box>
      </Section>
    );
  return (
    <>
      {view.repair ? <RepairSection view={view} repair={view.repair} /> : <TestCard view={view} />}
      {view.isFaulty && <SuspectsSection view={view} />}
      <StandInSection view={view} />
      <EffortsSection />
    </>
  );
}
