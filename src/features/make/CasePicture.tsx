"use client";

import { Box } from "@chakra-ui/react";
import { useMemo } from "react";
import type { CaseView } from "@/core/cases/caseView";
import type { CaseLayers } from "@/core/cases/layers";
import { useCases } from "@/store/assemblyAside";
import { useDesign } from "@/store/bench";
import { useStepInHand } from "@/store/stepInHand";
import { SolidView } from "@/ui/pieces/SolidView";

/** The case in the round, or its sheets as they are cut. */
export function CasePicture() {
  const design = useDesign();
  const { view } = useCases(design);
  const picked = useStepInHand((state) => state.stackOf);
  const shown = view?.find(({ boardId }) => boardId === picked) ?? view?.[0];
  if (!design.case) return <Told>Choose a case in the tray and it is drawn here.</Told>;
  if (!view) return <Told>Working the case out.</Told>;
  if (!shown) return <Told>There is no board to put a case around.</Told>;
  return shown.layers ? <Sheets layers={shown.layers} name={shown.boardName} /> : <Round view={shown} />;
}

const Told = ({ children }: { children: string }) => (
  <Box padding="14px" color="var(--faint)" role="status">
    {children}
  </Box>
);

function Round({ view: { solids, boardName } }: { view: CaseView }) {
  const bodies = useMemo(() => solids!.pieces.map(({ mesh }) => mesh), [solids]);
  return (
    <Box display="flex" flexDirection="column" height="100%" padding="6px 14px">
      <SolidView bodies={bodies} label={`Case of ${boardName} in the round: ${bodies.length} pieces`} />
      <Box color="var(--faint)" fontSize="13px" flexShrink={0}>
        Drag, or use the arrow keys, to turn it.
      </Box>
    </Box>
  );
}

const GAP_MM = 20;

function Sheets({ layers: { laid, sheets, bed }, name }: { layers: CaseLayers; name: string }) {
  const width = sheets * (bed.widthMm + GAP_MM) - GAP_MM;
  const path = (rings: { xMm: number; yMm: number }[][]) =>
    rings.map((ring) => `M${ring.map(({ xMm, yMm }) => `${xMm.toFixed(2)} ${yMm.toFixed(2)}`).join("L")}Z`).join("");
  return (
    <Box padding="6px 14px" height="100%">
      <svg
        role="img"
        aria-label={`Sheets of the case of ${name}: ${laid.length} layers`}
        viewBox={`-2 -2 ${width + 4} ${bed.heightMm + 4}`}
        style={{ width: "100%", height: "100%", display: "block" }}
      >
        {Array.from({ length: sheets }, (_, nth) => (
          <rect
            key={nth}
            x={nth * (bed.widthMm + GAP_MM)}
            width={bed.widthMm}
            height={bed.heightMm}
            fill="none"
            stroke="var(--faint)"
            strokeWidth={0.8}
            strokeDasharray="6 4"
          />
        ))}
        {laid.map(({ shape, sheet, xMm, yMm }, nth) => (
          <path
            key={nth}
            d={path(shape.rings)}
            transform={`translate(${sheet * (bed.widthMm + GAP_MM) + xMm} ${yMm})`}
            fill="var(--cap)"
            fillRule="evenodd"
            stroke="var(--cap-edge)"
            strokeWidth={0.6}
          >
            <title>{shape.name}</title>
          </path>
        ))}
      </svg>
    </Box>
  );
}
