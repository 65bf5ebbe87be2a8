"use client";

import { Box } from "@chakra-ui/react";
import { later } from "@/ui/pieces/later";
import { useState } from "react";
import { controllerCatalogue } from "@/core/catalogue/controllers";
import { type ControllerProfile, usablePins } from "@/core/catalogue/controllers/controllerProfile";
import { derive } from "@/core/derived/derive";
import { halfOf } from "@/core/derived/halves";
import { useDesign } from "@/store/bench";
import { chooseProfile } from "./chooseProfile";
import { useChosenController } from "./MoreControllers";
import { PlainButton } from "@/ui/pieces/buttons";
import { Row, Section } from "@/ui/pieces/sheets";

const ClassDialog = later(() => import("../classes/ClassDialog").then((m) => m.ClassDialog));

const spareWords = (spare: number) => (spare >= 0 ? `${spare} to spare` : `${-spare} too few`);

/** The classes side by side with what the controller in hand needs: which fit, and with how many pins left. */
export function ClassesSection() {
  const design = useDesign();
  const controllerId = useChosenController(design);
  const { profile, signalNets } = derive(halfOf(design, controllerId));
  const [writing, setWriting] = useState<ControllerProfile | null>(null);
  const isOwn = (one: ControllerProfile) => design.profiles.some(({ id }) => id === one.id);
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
              <Box display="flex" gap="4px">
                {isOwn(one) && (
                  <PlainButton height="26px" aria-label={`Change ${one.title}`} onClick={() => setWriting(one)}>
                    Change
                  </PlainButton>
                )}
                <PlainButton
                  height="26px"
                  disabled={isChosen}
                  aria-label={`Take the ${one.title}`}
                  onClick={() => void chooseProfile(one.id, controllerId)}
                >
                  {isChosen ? "chosen" : "Take it"}
                </PlainButton>
              </Box>
            </Box>
          );
        })}
      </Box>
      <Row>
        <PlainButton onClick={() => setWriting(profile ?? controllerCatalogue[0])}>Write a class of my own</PlainButton>
      </Row>
      {writing && <ClassDialog from={writing} isOwn={isOwn(writing)} onClose={() => setWriting(null)} />}
    </Section>
  );
}
