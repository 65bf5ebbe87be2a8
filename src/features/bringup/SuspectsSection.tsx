"use client";

import { Box } from "@chakra-ui/react";
import { useState } from "react";
import type { BringUpView, ToldSuspect } from "@/core/bringup/view";
import type { Pair } from "@/core/bringup/pairs";
import { currentDesign } from "@/store/bench";
import { bringUpTasks } from "@/store/bringUpAside";
import { select } from "@/store/hand";
import { PlainButton } from "@/ui/pieces/buttons";
import { Section } from "@/ui/pieces/sheets";

const percent = (share: number) =>
  share >= 0.995 ? "over 99 %" : share < 0.01 ? "below 1 %" : `${Math.round(share * 100)} %`;

/** What may be wrong, the likeliest first, and why. */
export function SuspectsSection({ view }: { view: BringUpView }) {
  const { suspects, possible, known, isUnexplained } = view;
  return (
    <Section
      title="Suspects"
      aside={<span>{isUnexplained ? "none fits" : `${possible} of ${known} still possible`}</span>}
    >
      <Box
        as="ol"
        aria-label="Suspects"
        listStyleType="none"
        padding="0"
        display="flex"
        flexDirection="column"
        gap="6px"
      >
        {suspects.map((suspect) => (
          <Suspect key={suspect.ids[0]} suspect={suspect} />
        ))}
      </Box>
      <Box color="var(--faint)">
        How often each sort of fault comes is from memory: by hand about one joint in five hundred is open, and a made
        board has fewer. The tests weigh more.
      </Box>
      {isUnexplained && <Pairs />}
    </Section>
  );
}

function Suspect({ suspect: { words, share, controlIds, speaksFor, speaksAgainst } }: { suspect: ToldSuspect }) {
  return (
    <li>
      <Box display="flex" gap="8px" justifyContent="space-between" alignItems="baseline">
        <Box
          as="button"
          textAlign="left"
          onClick={() => select(controlIds)}
          _hover={{ textDecoration: "underline" }}
          cursor="pointer"
        >
          {words.length === 1 ? words[0] : `${words[0]}, or`}
        </Box>
        <Box fontFamily="mono" whiteSpace="nowrap">
          {percent(share)}
        </Box>
      </Box>
      {words.slice(1).map((other) => (
        <Box key={other} paddingLeft="12px">
          {other}
        </Box>
      ))}
      <details>
        <summary>
          {speaksFor.length} for, {speaksAgainst.length} against
        </summary>
        <ul style={{ paddingLeft: 18, margin: 0 }}>
          {speaksFor.map((title) => (
            <li key={title}>For it: {title}</li>
          ))}
          {speaksAgainst.map((title) => (
            <li key={title}>Against it: {title}</li>
          ))}
        </ul>
      </details>
    </li>
  );
}

/** Two faults at once, looked for when asked. */
function Pairs() {
  const [found, setFound] = useState<{ pairs: Pair[]; isAll: boolean } | "searching" | null>(null);
  const search = async () => {
    const design = currentDesign();
    if (!design) return;
    setFound("searching");
    setFound(await bringUpTasks().faultPairs(design));
  };
  if (found === null) return <PlainButton onClick={() => void search()}>Look for two faults at once</PlainButton>;
  if (found === "searching") return <Box role="status">Trying pairs …</Box>;
  return (
    <div>
      <Box fontWeight="600">
        {found.pairs.length === 0 ? "No pair explains it either." : "Two faults that explain it together"}
        {!found.isAll && " Not all pairs were tried: time was up."}
      </Box>
      <ul style={{ paddingLeft: 18, margin: 0 }}>
        {found.pairs.map(({ words, share }) => (
          <li key={words.join()}>
            {words[0]}, and {words[1]} ({percent(share)})
          </li>
        ))}
      </ul>
    </div>
  );
}
