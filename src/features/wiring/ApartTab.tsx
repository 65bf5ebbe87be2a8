"use client";

import { Box } from "@chakra-ui/react";
import type { FarPart } from "@/core/brief/apart/partsApart";
import type { ApartWay } from "@/core/brief/apart/way";
import { addedParts } from "@/core/catalogue/prices";
import { useDesign } from "@/store/bench";
import { usePartsApart } from "@/store/apartPlan";
import { Section, Values } from "@/ui/pieces/sheets";

/** How each part that lies apart from the controller could be reached, the schools beneath each other. */
export function ApartTab() {
  const apart = usePartsApart(useDesign());
  if (apart === undefined) return <Box paddingBlock="10px">Working out the ways…</Box>;
  if (apart === null)
    return (
      <Box paddingBlock="10px" color="var(--faint)">
        Choose a controller in Pins and lay it on one of the parts: then each other part is worked out in every way.
      </Box>
    );
  return (
    <>
      <Box fontSize="13px" color="var(--faint)" paddingTop="10px">
        The controller lies on {apart.near.name}. What is added counts for the other part alone; pins are those of this
        controller. This program wires, tries and loads one controller; ways with two are here to be compared.
      </Box>
      {apart.far.map((part) => (
        <Ways key={part.board.id} part={part} />
      ))}
    </>
  );
}

const Ways = ({ part: { board, ways } }: { part: FarPart }) => (
  <Box as="section" aria-label={`Ways to ${board.name}`}>
    <Box as="h2" fontSize="15px" fontWeight="700" paddingTop="12px">
      To {board.name}
    </Box>
    {ways.map((way) => (
      <WaySection key={way.id} way={way} />
    ))}
  </Box>
);

const later = ({ least, most }: ApartWay["laterMs"]) => {
  if (most === 0) return "nothing";
  return least === most ? `${most.toFixed(2)} ms` : `${least.toFixed(2)} to ${most.toFixed(2)} ms`;
};

function addedWords({ parts, controller }: ApartWay): string {
  const added = addedParts.filter(({ id }) => parts[id]).map(({ id, title }) => `${parts[id]} × ${title}`);
  return [...(controller ? [controller] : []), ...added].join(", ") || "nothing";
}

function WaySection({ way }: { way: ApartWay }) {
  const { title, conductors, pins, money, joints, laterMs, breaks, lacks } = way;
  return (
    <Section title={title}>
      {lacks && <Box color="var(--stop)">It cannot be so: {lacks}.</Box>}
      <Values
        rows={[
          ["Conductors", conductors.length],
          ["Pins", `${pins.needed} of ${pins.had}`],
          ["Money", money.toFixed(2)],
          ["Joints, cable and parts", joints],
          ["A press there comes later by", later(laterMs)],
        ]}
      />
      {conductors.length > 0 && (
        <Box fontSize="13px" color="var(--faint)">
          Conductors: {conductors.join(", ")}.
        </Box>
      )}
      <Box fontSize="13px">Added: {addedWords(way)}.</Box>
      <Box as="ul" fontSize="13px" color="var(--faint)" paddingInlineStart="16px" listStyleType="disc">
        {breaks.map((words) => (
          <li key={words}>{words[0].toUpperCase() + words.slice(1)}.</li>
        ))}
      </Box>
    </Section>
  );
}
