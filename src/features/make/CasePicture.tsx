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

const GAP_MM = 12;

/** Each shape once, as it is cut, with how often. */
function Sheets({ layers: { shapes }, name }: { layers: CaseLayers; name: string }) {
  const tall = Math.max(...shapes.map(({ heightMm }) => heightMm));
  const wide = shapes.reduce((sum, { widthMm }) => sum + widthMm + GAP_MM, 0) - GAP_MM;
  const path = (rings: { xMm: number; yMm: number }[][]) =>
    rings.map((ring) => `M${ring.map(({ xMm, yMm }) => `${xMm.toFixed(2)} ${yMm.toFixed(2)}`).join("L")}Z`).join("");
  const words = tall / 12;
  let left = 0;
  return (
    <Box padding="6px 14px" height="100%">
      <svg
        role="img"
        aria-label={`Layers of the case of ${name}: ${shapes.map(({ name: shape, count }) => `${count} × ${shape}`).join(", ")}`}
        viewBox={`-2 -2 ${wide + 4} ${tall + words * 1.6 + 4}`}
        style={{ width: "100%", height: "100%", display: "block" }}
      >
        {shapes.map((shape) => {
          const at = left;
          left += shape.widthMm + GAP_MM;
          return (
            <g key={shape.name} transform={`translate(${at} 0)`}>
              <path
                d={path(shape.rings)}
                fill="var(--cap)"
                fillRule="evenodd"
                stroke="var(--ink)"
                strokeWidth={tall / 300}
              />
              <text
                x={shape.widthMm / 2}
                y={shape.heightMm + words * 1.3}
                textAnchor="middle"
                fill="var(--ink)"
                style={{ fontSize: words }}
              >
                {shape.count} × {shape.name}
              </text>
            </g>
          );
        })}
      </svg>
    </Box>
  );
}
