"use client";

import { Box } from "@chakra-ui/react";
import { controllerCatalogue } from "@/core/catalogue/controllers";
import { usablePins } from "@/core/catalogue/controllers/controllerProfile";
import { derive } from "@/core/design/derive";
import { chooseController } from "@/core/design/edits/pins";
import { edit, useDesign } from "@/store/bench";
import { PlainButton } from "@/ui/pieces/buttons";
import { Section } from "@/ui/pieces/sheets";

const spareWords = (spare: number) => (spare >= 0 ? `${spare} to spare` : `${-spare} too few`);

/** The classes side by side with what this design needs: which fit, and with how many pins left. */
export function ClassesSection() {
  const design = useDesign();
  const { profile, signalNets } = derive(design);
  const needed = signalNets.length;
  return (
    <Section title={needed === 0 ? "Classes" : `Classes for ${needed} nets`}>
      <Box as="ul" listStyleType="none">
        {[...design.profiles, ...controllerCatalogue].map((one) => {
          const usable = usablePins(one).length;
          const spare = usable - needed;
          const isChosen = one.id === profile?.id;
          return (
            <Box as="li" key={one.id} display="grid" gridTemplateColumns="1fr auto" gap="8px" paddingBlock="5px">
              <Box>
                <Box fontWeight={isChosen ? 700 : 500}>{one.title}</Box>
                <Box fontSize="13px" color={spare < 0 ? "var(--stop)" : "var(--faint)"}>
                  {one.logicV} V, {usable} usable, {spareWords(spare)}
                </Box>
              </Box>
              <PlainButton
                height="26px"
                disabled={isChosen}
                aria-label={`Take the ${one.title}`}
                onClick={() => edit("choose a controller", (d) => chooseController(d, one.id))}
              >
                {isChosen ? "chosen" : "Take it"}
              </PlainButton>
            </Box>
          );
        })}
      </Box>
    </Section>
  );
}
