import type { Design } from "@/core/document/schema";
import { hexAddress, moduleAddresses } from "@/core/levels/addresses";
import { Section, Values } from "@/ui/pieces/sheets";

/** What each module answers to on the bus. */
export const BusAddresses = ({ design }: { design: Design }) => (
  <Section title="Addresses on the bus">
    <Values rows={moduleAddresses(design).map(({ part, address }) => [part, hexAddress(address)])} />
  </Section>
);
