"use client";

import { Box } from "@chakra-ui/react";
import { PageLink } from "@/ui/pieces/PageLink";
import { useDesign } from "@/store/bench";
import { useFindings } from "@/store/findings";
import { stages } from "../stages";
import { useStage } from "./useStage";

/** The stages in the order of the work, each with its state in words. */
export function JobCard() {
  const design = useDesign();
  const look = useFindings(design);
  const { findings } = look;
  const { stage: current, addressOf, go } = useStage();
  return (
    <Box padding="10px 0 10px 10px">
      <Box display="flex" alignItems="center" gap="8px" paddingBottom="8px" color="var(--faint)" fontSize="13px">
        <Box
          as="span"
          width="11px"
          height="11px"
          borderRadius="full"
          bg="var(--mat)"
          boxShadow="inset 0 0 0 3px var(--edge)"
          aria-hidden
        />
        Job card
      </Box>
      <ol style={{ listStyle: "none", padding: 0, margin: 0 }}>
        {stages.map((stage, nth) => {
          const open = findings.filter((finding) => finding.stage === stage.id && finding.severity !== "note");
          const worst = open.some((finding) => finding.severity === "stop") ? "stop" : "warn";
          const isHere = stage.id === current.id;
          const words = open.length > 0 ? `${open.length} to settle` : stage.settled(design, look);
          return (
            <li key={stage.id}>
              <PageLink
                href={addressOf(stage.id)}
                onGo={() => go(stage.id)}
                aria-current={isHere ? "step" : undefined}
                style={{ display: "block", textDecoration: "none" }}
              >
                <Box
                  display="grid"
                  gridTemplateColumns="22px 1fr"
                  padding="6px 8px 6px 6px"
                  bg={isHere ? "var(--sheet)" : "transparent"}
                  borderLeft="4px solid"
                  borderColor={isHere ? "var(--saffron)" : "transparent"}
                  borderBlock="1px solid"
                  borderBlockColor={isHere ? "var(--edge)" : "transparent"}
                  marginRight={isHere ? "-1px" : 0}
                  _hover={{ bg: "var(--sheet)" }}
                >
                  <Box fontFamily="mono" color="var(--faint)" fontSize="13px" paddingTop="1px">
                    {nth + 1}
                  </Box>
                  <Box>
                    <Box fontWeight={isHere ? 700 : 500}>{stage.title}</Box>
                    <Box fontSize="13px" color={open.length > 0 ? `var(--${worst})` : "var(--faint)"}>
                      {words}
                    </Box>
                  </Box>
                </Box>
              </PageLink>
            </li>
          );
        })}
      </ol>
    </Box>
  );
}
