"use client";

import type { LightChain } from "@/core/circuits/lightChain";
import { useDesign } from "@/store/bench";
import { useSupplyView } from "@/store/circuitsAside";
import { Section } from "@/ui/pieces/sheets";
import { BatterySection } from "./BatterySection";
import { LampsSection } from "./LampsSection";
import { LightsSection } from "./LightsSection";
import { MomentsSection } from "./MomentsSection";
import { OutsideSection } from "./OutsideSection";
import { SwitchedSection } from "./SwitchedSection";
import { SourceSection } from "./SourceSection";
import { UsualSection } from "./UsualSection";
import { RailsSection, WaySection } from "./WaySection";

/** Where current comes from, what it passes, and what takes it. */
export function CurrentTab() {
  const design = useDesign();
  const { view, isKnown, trouble } = useSupplyView(design);
  if (!view)
    return (
      <Section title="Current">
        <div>
          {trouble ??
            (isKnown ? "Choose a controller in Pins first: its class says what runs on which voltage." : "Adding up …")}
        </div>
      </Section>
    );
  const { source } = design.supply;
  const chains = design.circuits.filter((circuit): circuit is LightChain => circuit.kind === "light-chain");
  return (
    <>
      <MomentsSection view={view} />
      <SourceSection />
      {source.kind === "battery" && view.endurance && (
        <BatterySection battery={source} lasts={view.endurance} measuring={view.measuring} />
      )}
      <WaySection view={view} />
      <RailsSection view={view} />
      {chains.map((chain) => (
        <LightsSection key={chain.id} chain={chain} view={view} />
      ))}
      <LampsSection branches={view.lamps} />
      <SwitchedSection switched={view.switched} />
      <OutsideSection view={view} />
      <UsualSection />
    </>
  );
}
