"use client";

import { useState } from "react";
import { useDesign } from "@/store/bench";
import { useCircuitDrawing } from "@/store/circuitsAside";
import { exportDesign } from "@/ui/files/exportDesign";
import { PlainButton } from "@/ui/pieces/buttons";
import { Dialog } from "@/ui/pieces/Dialog";
import { ChoiceField } from "@/ui/pieces/fields";
import { notify } from "@/ui/pieces/notices";
import { Row, Section } from "@/ui/pieces/sheets";

const pictureOf = (svg: string) => `data:image/svg+xml;charset=utf-8,${encodeURIComponent(svg)}`;

/** The circuits in symbols, sheet by sheet. */
export function DrawingTab() {
  const design = useDesign();
  const { view, trouble } = useCircuitDrawing(design);
  const [chosen, setChosen] = useState(0);
  const [isLarge, setLarge] = useState(false);
  if (!view) return <Section title="Drawing">{trouble ?? "Drawing …"}</Section>;
  if (view.length === 0)
    return (
      <Section title="Drawing">
        <div>Place controls and wire them first: their circuits are drawn here.</div>
      </Section>
    );
  const nth = Math.min(chosen, view.length - 1);
  const { title, svg } = view[nth];
  const picture = (
    <img
      src={pictureOf(svg)}
      alt={`Circuit drawing, ${title}`}
      style={{ width: "100%", maxHeight: "74vh", objectFit: "contain", display: "block" }}
    />
  );
  const sheets = view.map((sheet, at) => ({ value: String(at), label: `${at + 1}. ${sheet.title}` }));
  const chooser = (
    <ChoiceField label="Sheet" value={String(nth)} choices={sheets} onCommit={(value) => setChosen(Number(value))} />
  );
  const take = (id: string) => void exportDesign(design, id).then(notify);
  return (
    <Section title="Drawing">
      {chooser}
      <button aria-label="Show the sheet large" onClick={() => setLarge(true)} style={{ cursor: "zoom-in" }}>
        {picture}
      </button>
      <div>What has the same name in blue is one net, on every sheet. A cross is an end that stays open.</div>
      <Row>
        <PlainButton onClick={() => setLarge(true)}>Show it large</PlainButton>
        <PlainButton onClick={() => take("schematic-svg")}>Save all sheets</PlainButton>
        <PlainButton onClick={() => take("schematic-sheets")}>Save for paper</PlainButton>
      </Row>
      {isLarge && (
        <Dialog title={`${design.name}: circuit drawing`} open onClose={() => setLarge(false)} wide>
          {chooser}
          {picture}
        </Dialog>
      )}
    </Section>
  );
}
