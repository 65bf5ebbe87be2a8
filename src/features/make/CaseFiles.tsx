"use client";

import { useState } from "react";
import type { CaseWay } from "@/core/document/caseSettings";
import { useDesign } from "@/store/bench";
import { exportDesign } from "@/ui/files/exportDesign";
import { PlainButton } from "@/ui/pieces/buttons";
import { Row, Section } from "@/ui/pieces/sheets";

const FILES: Record<CaseWay, [id: string, words: string][]> = {
  printed: [
    ["case-stl", "Save STL"],
    ["case-3mf", "Save 3MF"],
  ],
  layers: [
    ["case-dxf", "Save DXF"],
    ["case-svg", "Save SVG"],
  ],
};

/** What goes to the printer or the cutter. */
export function CaseFiles({ way }: { way: CaseWay }) {
  const design = useDesign();
  const [said, setSaid] = useState("");
  return (
    <Section title="Files">
      <Row>
        {FILES[way].map(([id, words]) => (
          <PlainButton key={id} onClick={() => void exportDesign(design, id).then(setSaid)}>
            {words}
          </PlainButton>
        ))}
      </Row>
      <div role="status">{said}</div>
    </Section>
  );
}
