"use client";

import { Box } from "@chakra-ui/react";
import { type CasePlan, GAP_MM } from "@/core/cases/casePlan";
import type { CaseSolids } from "@/core/cases/caseSolids";
import type { CaseView } from "@/core/cases/caseView";
import type { CaseLayers } from "@/core/cases/layers";
import { counted } from "@/core/words";
import { Section, Values } from "@/ui/pieces/sheets";
import { SmallTable } from "@/ui/pieces/SmallTable";

const mm = (value: number) => `${value.toFixed(1)} mm`;

/** What a case is made of: pieces or shapes, mass, time, screws. */
export function CaseOutcome({ view: { plan, solids, layers } }: { view: CaseView }) {
  const screws = [...new Set(plan.towers.map(({ size, screwMm }) => `${size.name} × ${screwMm ?? "?"} mm`))];
  return (
    <Section title="What comes out">
      {solids && <Printed solids={solids} />}
      {layers && <Cut layers={layers} />}
      <Values
        rows={[
          ...(solids
            ? ([
                ["Volume", `${solids.pieces.reduce((sum, { volumeMm3 }) => sum + volumeMm3 / 1000, 0).toFixed(1)} cm³`],
              ] as [string, string][])
            : []),
          ["Free beneath the plate", mm(plan.seatMm - plan.floorMm)],
          ["High, without feet", mm(Math.max(plan.rimMm, plan.seatMm) - plan.backMm)],
          ...(screws.length > 0
            ? ([["Screws through the plate", `${plan.towers.length} ${screws.join(", ")}`]] as [string, string][])
            : []),
        ]}
      />
      <MadeBoard plan={plan} />
    </Section>
  );
}

/** A made board beneath a plate lies between the ledge and around the towers. */
function MadeBoard({ plan: { stack, ledgeMm, towers } }: { plan: CasePlan }) {
  if (stack.boardDepthMm === null) return null;
  const across = Math.max(0, ...towers.map(({ outerMm, size }) => Math.max(outerMm, size.acrossMm * 2)));
  return (
    <div>
      The made board stays at least {mm(ledgeMm + GAP_MM)} within the plate&apos;s edge
      {across > 0 && `, with holes of ${mm(across + 2 * GAP_MM)} where the standoffs are`}.
    </div>
  );
}

function Printed({ solids: { pieces, seams, isTooLarge, bed } }: { solids: CaseSolids }) {
  const sum = (of: (piece: (typeof pieces)[number]) => number) => pieces.reduce((total, piece) => total + of(piece), 0);
  const misfits = pieces.filter(({ fits }) => !fits).length;
  return (
    <>
      <Box fontSize="16px" fontWeight="700" role="status" aria-label="Printed case">
        {counted(pieces.length, "piece")}, about {sum(({ grams }) => grams).toFixed(0)} g,{" "}
        {sum(({ hours }) => hours).toFixed(0)} h to print
      </Box>
      <SmallTable
        label="Pieces of the case"
        heads={["", "size, mm", "g", "h"]}
        rows={pieces.map(({ name, sizeMm, grams, hours }) => [
          name,
          sizeMm.map((value) => value.toFixed(0)).join(" × "),
          grams.toFixed(0),
          hours.toFixed(1),
        ])}
      />
      <Box color="var(--faint)">
        {seams > 0 && `Cut at ${counted(seams, "seam")} to fit ${bed.name}; teeth in the floor and glue hold it. `}
        {(isTooLarge || misfits > 0) && `It does not fit ${bed.name} in a sensible number of pieces. `}
        Mass and time with three lines of skin, a fifth filled: within a third.
      </Box>
    </>
  );
}

function Cut({ layers: { shapes, sheets, bed, grams, screws } }: { layers: CaseLayers }) {
  const count = shapes.reduce((sum, shape) => sum + shape.count, 0);
  const outsized = shapes.filter(({ fits }) => !fits);
  return (
    <>
      <Box fontSize="16px" fontWeight="700" role="status" aria-label="Cut case">
        {counted(count, "layer")} on {counted(sheets, "sheet")}, about {grams.toFixed(0)} g
      </Box>
      <SmallTable
        label="Shapes to cut"
        heads={["", "size, mm", "times"]}
        rows={shapes.map(({ name, widthMm, heightMm, count: times, bodies }) => [
          bodies > 1 ? `${name}, ${bodies} pieces each` : name,
          `${widthMm.toFixed(0)} × ${heightMm.toFixed(0)}`,
          times,
        ])}
      />
      <Values rows={[["Screws through the frame", `${screws.count} M3, > ${screws.throughMm.toFixed(0)} mm`]]} />
      {outsized.length > 0 && (
        <Box color="var(--stop)">
          {outsized.map(({ name }) => name).join(", ")} {outsized.length === 1 ? "is" : "are"} larger than {bed.name}:
          choose a larger sheet.
        </Box>
      )}
    </>
  );
}
