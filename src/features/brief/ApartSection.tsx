"use client";

import { Box } from "@chakra-ui/react";
import { useState } from "react";
import type { ApartWay } from "@/core/brief/apart/way";
import type { PartsApart } from "@/core/brief/apart/partsApart";
import type { Design } from "@/core/document/schema";
import { useDesign } from "@/store/bench";
import { planning } from "@/workers/planning";
import { StepButton } from "@/ui/pieces/buttons";
import { Row, Section } from "@/ui/pieces/sheets";
import { SmallTable } from "@/ui/pieces/SmallTable";

interface Answer {
  of: Design;
  apart: PartsApart | null;
}

/** A device on several boards: the schools of how parts reach each other, side by side, when they are asked for. */
export function ApartSection() {
  const design = useDesign();
  const [answer, setAnswer] = useState<Answer | null>(null);
  const [isBusy, setBusy] = useState(false);
  const known = answer?.of === design ? answer : null;
  const compare = async () => {
    setBusy(true);
    setAnswer({ of: design, apart: await planning().partsApart(design) });
    setBusy(false);
  };
  return (
    <Section title="In several parts">
      <Box fontSize="13px" color="var(--faint)">
        It lies on {design.boards.length} boards. Parts that lie apart can be reached in several ways; Wiring, Apart,
        wires them.
      </Box>
      {!known && (
        <Row>
          <StepButton disabled={isBusy} onClick={() => void compare()}>
            {isBusy ? "Comparing …" : "Compare the ways"}
          </StepButton>
        </Row>
      )}
      {known?.apart === null && (
        <Box role="status">Choose a controller in Pins and lay it on one of the parts first.</Box>
      )}
      {known?.apart?.far.map(({ board, ways }) => (
        <WaysTable key={board.id} title={`To ${board.name}`} ways={ways} />
      ))}
    </Section>
  );
}

const later = ({ laterMs: { least, most } }: ApartWay) =>
  most === 0 ? "0" : least === most ? most.toFixed(1) : `${least.toFixed(1)}–${most.toFixed(1)}`;

const HEADS = ["Way, and by how much later a press is told", "Wires", "Pins", "Money", "ms"];

const WaysTable = ({ title, ways }: { title: string; ways: ApartWay[] }) => (
  <>
    <Box as="h3" fontWeight="700" paddingTop="8px">
      {title}
    </Box>
    <SmallTable
      label={title}
      heads={HEADS}
      rows={ways.map((way) => [
        <>
          {way.title}
          {way.lacks && <Box color="var(--stop)">It cannot be so: {way.lacks}.</Box>}
        </>,
        way.conductors.length,
        `${way.pins.needed}/${way.pins.had}`,
        way.money.toFixed(2),
        later(way),
      ])}
    />
  </>
);
