"use client";

import { Box } from "@chakra-ui/react";
import { budgetLines, isBriefOpen } from "@/core/brief/budgetLines";
import { type Control, controlKinds } from "@/core/catalogue/kinds";
import { addControl } from "@/core/edits/controls";
import { freeSpot } from "@/core/layout/freeSpot";
import { edit, useDesign } from "@/store/bench";
import { placeOpen } from "@/store/briefEdits";
import { useFindings } from "@/store/findings";
import { select, useHand } from "@/store/hand";
import { newId } from "@/store/newId";
import { pickForPlacing, usePlacing } from "@/store/placing";
import { viewOf } from "@/ui/kinds";
import { PlainButton } from "@/ui/pieces/buttons";
import { Row, Section } from "@/ui/pieces/sheets";

/** Takes a kind in hand for the mat; from the keyboard it is placed at once, at the next free spot. */
export function PlaceSection() {
  const design = useDesign();
  const inHand = usePlacing((state) => state.kind);
  const selection = useHand((state) => state.selection);

  const placeNext = (kind: Control["kind"], article: string) => {
    const id = newId();
    const at = freeSpot(design, kind, selection.at(-1) ?? null);
    const boardId =
      design.controls.find((control) => control.id === selection.at(-1))?.placement.boardId ?? design.boards[0].id;
    edit(`place ${article}`, (d) => addControl(d, kind, id, { ...at, rotationDeg: 0, boardId }));
    select([id]);
  };

  return (
    <Section title="Place">
      <BriefLine />
      <Box display="grid" gridTemplateColumns="48fr 52fr" gap="4px">
        {controlKinds.map(({ kind, title, article }) => {
          const { Sign } = viewOf(kind);
          const taken = inHand === kind;
          return (
            <PlainButton
              key={kind}
              aria-pressed={taken}
              justifyContent="flex-start"
              paddingInline="5px"
              gap="5px"
              height="28px"
              fontSize="13px"
              bg={taken ? "var(--saffron)" : "var(--sheet)"}
              color={taken ? "var(--saffron-ink)" : "var(--ink)"}
              onClick={(event) => (event.detail === 0 ? placeNext(kind, article) : pickForPlacing(taken ? null : kind))}
            >
              <Sign size={15} /> {title}
            </PlainButton>
          );
        })}
      </Box>
    </Section>
  );
}

/** The brief's budget stays in sight while things are placed. */
function BriefLine() {
  const design = useDesign();
  const { budget } = useFindings(design);
  if (!budgetLines(design).some(({ wished }) => wished > 0)) return null;
  return (
    <Row>
      <Box fontSize="13px" role="status" aria-label="Budget of the brief">
        Brief: {budget || "being worked out"}.
      </Box>
      {isBriefOpen(design) && (
        <PlainButton height="26px" onClick={() => void placeOpen()}>
          Place what is open
        </PlainButton>
      )}
    </Row>
  );
}
