"use client";

import { Box } from "@chakra-ui/react";
import type { Segments } from "@/core/catalogue/kinds/segments";
import { SHOWN_MOST, type SegmentShow } from "@/core/document/segmentShows";
import { setSegmentShow } from "@/core/edits/segments";
import { topOf } from "@/core/firmware/shownStates";
import { digitsOfText, unshownSigns } from "@/core/keymap/segmentSigns";
import { edit, useDesign } from "@/store/bench";
import { ChoiceField, NumberField, TextField } from "@/ui/pieces/fields";
import { Columns, Section } from "@/ui/pieces/sheets";
import { knobsOf } from "./shownStates";
import { useKeymap } from "./useKeymap";

const BENEATH = "beneath";

/** What a segment display shows on the layer in hand. */
export function SegmentsSection({ control }: { control: Segments }) {
  const design = useDesign();
  const { layer } = useKeymap();
  const isBase = layer.id === design.keymap.layers[0].id;
  const { segments = {} } = layer;
  const show = Object.hasOwn(segments, control.id) ? segments[control.id] : null;
  const values = knobsOf(design);
  const set = (next: SegmentShow | null) =>
    edit(`what ${control.label} shows on ${layer.name}`, (d) => setSegmentShow(d, layer.id, control.id, next));
  const fresh: Record<string, () => SegmentShow | null> = {
    [BENEATH]: () => null,
    dark: () => ({ shows: "dark" }),
    text: () => ({ shows: "text", text: "-" }),
    value: () => valueOf(design, values[0].id),
  };
  return (
    <Section title={`${control.label} on ${layer.name}`}>
      <ChoiceField
        label="It shows"
        value={show?.shows ?? BENEATH}
        choices={[
          { value: BENEATH, label: isBase ? "nothing yet" : "as on the layer beneath" },
          { value: "text", label: "a text" },
          { value: "value", label: "a value", disabled: values.length === 0 },
          { value: "dark", label: "nothing" },
        ]}
        onCommit={(shows) => set(fresh[shows]())}
      />
      {show?.shows === "text" && (
        <TextField
          label={`Text, up to ${control.digits} digits`}
          mono
          value={show.text}
          check={(text) => badText(text, control)}
          onCommit={(text) => set({ shows: "text", text })}
        />
      )}
      {show?.shows === "value" && <ValueFields show={show} values={values} set={set} />}
      {values.length === 0 && (
        <Box fontSize="13px" color="var(--faint)">
          Nothing has a value yet: a knob, a stick or a pot, or values that the computer tells (Reports).
        </Box>
      )}
    </Section>
  );
}

const valueOf = (design: Parameters<typeof topOf>[0], elementId: string): SegmentShow => ({
  shows: "value",
  elementId,
  low: 0,
  high: topOf(design, elementId),
  point: 0,
});

function badText(text: string, { digits }: Segments): string | null {
  const unshown = unshownSigns(text);
  if (text.length === 0) return "Type what it shows, or choose that it shows nothing.";
  if (unshown.length > 0) return `Seven segments cannot show ${unshown.join(" ")}.`;
  const taken = digitsOfText(text);
  return taken > digits ? `That takes ${taken} digits; it has ${digits}.` : null;
}

type ValueShow = Extract<SegmentShow, { shows: "value" }>;

function ValueFields({
  show,
  values,
  set,
}: {
  show: ValueShow;
  values: { id: string; label: string }[];
  set: (show: SegmentShow) => void;
}) {
  const design = useDesign();
  const isThere = values.some(({ id }) => id === show.elementId);
  const top = topOf(design, show.elementId);
  const scale = 10 ** show.point;
  const end = (label: string, field: "low" | "high") => (
    <NumberField
      label={label}
      unit=""
      decimals={show.point}
      min={-SHOWN_MOST / scale}
      max={SHOWN_MOST / scale}
      value={show[field] / scale}
      onCommit={(value) => set({ ...show, [field]: Math.round(value * scale) })}
    />
  );
  return (
    <>
      <ChoiceField
        label="Value of"
        value={isThere ? show.elementId : ""}
        choices={[
          ...(isThere ? [] : [{ value: "", label: "something that is gone" }]),
          ...values.map(({ id, label }) => ({ value: id, label })),
        ]}
        onCommit={(elementId) => elementId !== "" && set({ ...show, elementId })}
      />
      <Columns>
        {end("Shown at 0", "low")}
        {end(`Shown at ${top}`, "high")}
        <NumberField
          label="Behind the point"
          unit=""
          whole
          min={0}
          max={4}
          value={show.point}
          onCommit={(point) => set({ ...show, point })}
        />
      </Columns>
    </>
  );
}
