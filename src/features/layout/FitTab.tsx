"use client";

import { type NumberLine, NumberFields } from "@/ui/pieces/NumberFields";
import { Box } from "@chakra-ui/react";
import { useState } from "react";
import { spansOf } from "@/core/making/bending";
import { type BoardFit, boardFits } from "@/core/making/fit";
import type { Bed, Making, PriceStep } from "@/core/document/makingSettings";
import { bedSchema, makingSchema, priceStepSchema } from "@/core/document/makingSettings";
import type { SplitProposal } from "@/core/making/splitLine";
import { currentDesign, edit, useDesign } from "@/store/bench";
import { showSeam, useLayoutView } from "@/store/layoutView";
import { newId } from "@/store/newId";
import { PlainButton, StepButton } from "@/ui/pieces/buttons";
import { TextField } from "@/ui/pieces/fields";
import { Columns, Row, Section, Values } from "@/ui/pieces/sheets";

const setMaking = (what: string, change: Partial<Making>) =>
  edit(`making: ${what}`, (d) => ({ ...d, making: { ...d.making, ...change } }));

/** Will it fit, what will it cost, how far does it bend; and the numbers these rest on. */
export function FitTab() {
  const design = useDesign();
  const fits = boardFits(design);
  return (
    <>
      {fits.length === 0 && (
        <Section title="Will it fit">Nothing is placed yet, so there is nothing to measure.</Section>
      )}
      {fits.map((fit) => (
        <BoardFitSection key={fit.boardId} fit={fit} />
      ))}
      <BedsSection />
      <PriceStepsSection />
      <CutSection />
    </>
  );
}

const fitWords = ({ bed, fit }: BoardFit["beds"][number]) =>
  fit.fits
    ? fit.angleDeg === 0
      ? "fits upright"
      : `fits turned by ${fit.angleDeg.toFixed(1)}°`
    : `${((fit.fill - 1) * Math.max(bed.widthMm, bed.heightMm)).toFixed(0)} mm too large`;

function BoardFitSection({ fit }: { fit: BoardFit }) {
  const design = useDesign();
  const board = design.boards.find(({ id }) => id === fit.boardId)!;
  const { rectangle, step, nearMiss } = fit;
  const spans = spansOf(design, design.boards.indexOf(board));
  const worst = spans.reduce((most, span) => Math.max(most, span.deflectionMm), 0);
  return (
    <Section title={board.name}>
      <Values
        rows={[
          ["Smallest rectangle", `${rectangle.widthMm.toFixed(1)} × ${rectangle.heightMm.toFixed(1)} mm`],
          ["turned by", `${rectangle.angleDeg.toFixed(1)}°`],
          ...fit.beds.map((each): [string, string] => [each.bed.name, fitWords(each)]),
          ["As a made board", step ? `${step.price} for ${step.pieces}` : "no step takes it"],
          ["Bends at most", spans.length > 0 ? `${worst.toFixed(2)} mm` : "no support known"],
        ]}
      />
      {nearMiss && (
        <div>
          {nearMiss.overMm.toFixed(1)} mm less would reach the step of {nearMiss.step.price} for {nearMiss.step.pieces}.
        </div>
      )}
      {fit.beds.some((each) => !each.fit.fits) && <SplitPart fit={fit} />}
    </Section>
  );
}

/** Seams for the first bed that the board does not fit; looked for when asked. */
function SplitPart({ fit }: { fit: BoardFit }) {
  const seam = useLayoutView((state) => state.seam);
  const [proposals, setProposals] = useState<SplitProposal[] | null>(null);
  const { bed } = fit.beds.find((each) => !each.fit.fits)!;
  const look = async () => {
    const { proposeSplits } = await import("@/core/making/splitLine");
    const found = proposeSplits(currentDesign()!, fit.boardId, bed).slice(0, 4);
    setProposals(found);
    if (found[0]) showSeam({ boardId: fit.boardId, proposal: found[0] });
  };
  const take = async (proposal: SplitProposal) => {
    const { applySplit } = await import("@/core/edits/split");
    edit("split a board", (d) => applySplit(d, fit.boardId, proposal, newId));
    showSeam(null);
    setProposals(null);
  };
  return (
    <>
      <Row>
        <PlainButton onClick={() => void look()}>Look for a seam for the {bed.name.toLowerCase()}</PlainButton>
      </Row>
      {proposals?.length === 0 && <div>No seam passes between the openings.</div>}
      {proposals?.map((proposal, nth) => (
        <Box key={nth} display="flex" gap="6px" alignItems="center" justifyContent="space-between">
          <button
            aria-pressed={seam?.proposal === proposal}
            onClick={() => showSeam({ boardId: fit.boardId, proposal })}
            style={{ textAlign: "left", textDecoration: seam?.proposal === proposal ? "underline" : undefined }}
          >
            {nth + 1}. {proposal.pieces[0].controlIds.length} + {proposal.pieces[1].controlIds.length} parts,{" "}
            {proposal.jogs === 0 ? "straight" : `${Math.ceil(proposal.jogs)} steps aside`},{" "}
            {proposal.fits ? "both pieces fit" : "a piece is still too large"}
          </button>
          <StepButton height="26px" aria-label={`Take seam ${nth + 1}`} onClick={() => void take(proposal)}>
            Split
          </StepButton>
        </Box>
      ))}
    </>
  );
}

function BedsSection() {
  const { making } = useDesign();
  const change = (id: string, fields: Partial<Bed>) =>
    setMaking("a bed", { beds: making.beds.map((bed) => (bed.id === id ? { ...bed, ...fields } : bed)) });
  return (
    <Section title="Beds and sheets">
      {making.beds.map((bed) => (
        <Columns key={bed.id} count={3}>
          <TextField
            label="Name"
            value={bed.name}
            check={(text) => (text.trim() === "" || text.length > 60 ? "A name has 1 to 60 characters." : null)}
            onCommit={(name) => change(bed.id, { name: name.trim() })}
          />
          <NumberFields
            schema={bedSchema}
            lines={BED_LINES}
            values={bed}
            onCommit={(key, value) => change(bed.id, { [key]: value })}
          />
        </Columns>
      ))}
      <Row>
        <PlainButton
          disabled={making.beds.length >= 20}
          onClick={() =>
            setMaking("a bed more", {
              beds: [
                ...making.beds,
                { id: newId(), name: `Bed ${making.beds.length + 1}`, widthMm: 250, heightMm: 250 },
              ],
            })
          }
        >
          Add a bed
        </PlainButton>
        {making.beds.length > 0 && (
          <PlainButton onClick={() => setMaking("a bed less", { beds: making.beds.slice(0, -1) })}>
            Remove the last
          </PlainButton>
        )}
      </Row>
    </Section>
  );
}

function PriceStepsSection() {
  const { making } = useDesign();
  const change = (id: string, fields: Partial<PriceStep>) =>
    setMaking("price step", { priceSteps: making.priceSteps.map((s) => (s.id === id ? { ...s, ...fields } : s)) });
  return (
    <Section title="Price steps of made boards">
      {making.priceSteps.map((step) => (
        <Columns key={step.id} count={4}>
          <NumberFields
            schema={priceStepSchema}
            lines={STEP_LINES}
            values={step}
            onCommit={(key, value) => change(step.id, { [key]: value })}
          />
        </Columns>
      ))}
      <Row>
        <PlainButton
          disabled={making.priceSteps.length >= 20}
          onClick={() =>
            setMaking("a price step more", {
              priceSteps: [
                ...making.priceSteps,
                { id: newId(), upToWidthMm: 200, upToHeightMm: 200, pieces: 5, price: 30 },
              ],
            })
          }
        >
          Add a step
        </PlainButton>
        {making.priceSteps.length > 0 && (
          <PlainButton onClick={() => setMaking("a price step less", { priceSteps: making.priceSteps.slice(0, -1) })}>
            Remove the last
          </PlainButton>
        )}
      </Row>
    </Section>
  );
}

const BED_LINES: NumberLine<"widthMm" | "heightMm">[] = [
  { key: "widthMm", label: "Wide", unit: "mm" },
  { key: "heightMm", label: "Deep", unit: "mm" },
];
const STEP_LINES: NumberLine<"upToWidthMm" | "upToHeightMm" | "pieces" | "price">[] = [
  { key: "upToWidthMm", label: "Up to", unit: "mm" },
  { key: "upToHeightMm", label: "by", unit: "mm" },
  { key: "pieces", label: "Pieces", unit: "" },
  { key: "price", label: "Price", unit: "" },
];

const CUT: NumberLine<"kerfMm" | "filletMm" | "reinforceMm" | "reinforceClearMm" | "pressN">[] = [
  { key: "kerfMm", label: "Kerf", unit: "mm" },
  { key: "filletMm", label: "Corner of openings", unit: "mm" },
  { key: "reinforceMm", label: "Layer beneath, thick", unit: "mm" },
  { key: "reinforceClearMm", label: "wider by", unit: "mm" },
  { key: "pressN", label: "Firm press", unit: "N" },
];

function CutSection() {
  const { making } = useDesign();
  return (
    <Section title="Cutting and printing">
      <Columns>
        <NumberFields
          schema={makingSchema}
          lines={CUT}
          values={making}
          onCommit={(key, value, { label }) => setMaking(label.toLowerCase(), { [key]: value })}
        />
      </Columns>
      <Box fontSize="13px" color="var(--faint)">
        Cutting plastic with a laser or melting it gives off fumes: know the material, extract the air, and follow the
        rules of the place.
      </Box>
    </Section>
  );
}
