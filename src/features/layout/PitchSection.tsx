import { edit, useDesign } from "@/store/bench";
import { fieldOf } from "@/core/schemaLimits";
import { designSchema } from "@/core/document/schema";
import { type NumberLine, NumberFields } from "@/ui/pieces/NumberFields";
import { PlainButton } from "@/ui/pieces/buttons";

import { Columns, Row, Section } from "@/ui/pieces/sheets";

/** Usual pitches (common practice: 0.75 inch for full height; 18 × 17 mm and 17.5 × 16.5 mm for low profile). */
const USUAL: [name: string, xMm: number, yMm: number][] = [
  ["Full height", 19.05, 19.05],
  ["Low profile", 18, 17],
  ["Tight", 17.5, 16.5],
];

const LINES: NumberLine<"xMm" | "yMm">[] = [
  { key: "xMm", label: "Across", unit: "mm" },
  { key: "yMm", label: "Down", unit: "mm" },
];

/** Horizontal and vertical distance of one unit. */
export function PitchSection() {
  const { pitch } = useDesign();
  const set = (what: string, change: Partial<typeof pitch>) =>
    edit(what, (d) => ({ ...d, pitch: { ...d.pitch, ...change } }));
  return (
    <Section title="Pitch of one unit">
      <Columns>
        <NumberFields
          schema={fieldOf(designSchema, "pitch")}
          lines={LINES}
          values={pitch}
          onCommit={(key, value, { label }) => set(`pitch ${label.toLowerCase()}`, { [key]: value })}
        />
      </Columns>
      <Row>
        {USUAL.map(([name, xMm, yMm]) => (
          <PlainButton
            key={name}
            height="26px"
            aria-pressed={pitch.xMm === xMm && pitch.yMm === yMm}
            onClick={() => set(`pitch: ${name.toLowerCase()}`, { xMm, yMm })}
          >
            {name}
          </PlainButton>
        ))}
      </Row>
    </Section>
  );
}
