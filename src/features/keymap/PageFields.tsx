"use client";

import { Box } from "@chakra-ui/react";
import type { Display } from "@/core/catalogue/kinds/display";
import { derive } from "@/core/derived/derive";
import { type PageThing, rowsOf } from "@/core/document/displayPages";
import { SHOWN_MOST } from "@/core/document/segmentShows";
import type { Design, Layer } from "@/core/document/schema";
import { topOf } from "@/core/firmware/shownStates";
import { undrawnSigns } from "@/core/keymap/dotFont";
import { deedWords } from "@/core/keymap/pageWords";
import { Checkbox, ChoiceField, NumberField, TextField } from "@/ui/pieces/fields";
import { Columns } from "@/ui/pieces/sheets";
import { PictureFields } from "./PictureFields";
import { knobsOf } from "./shownStates";

interface ThingFieldsProps<T extends PageThing = PageThing> {
  design: Design;
  layer: Layer;
  thing: T;
  set: (thing: PageThing) => void;
}

const badText = (text: string) => {
  const undrawn = undrawnSigns(text);
  if (text.trim() === "") return "Type what it shows.";
  if (text.length > 42) return "At most 42 signs.";
  return undrawn.length > 0 ? `There are no dots for ${undrawn.join(" ")}.` : null;
};

/** Where a thing is, how wide, and what belongs to its sort. */
export function PageFields({ control, ...props }: ThingFieldsProps & { control: Display }) {
  const { thing, set } = props;
  return (
    <>
      <OfSort {...props} />
      <Columns>
        <NumberField
          label="From the left (dots)"
          unit=""
          whole
          min={0}
          max={control.widthPx - 1}
          value={thing.column}
          onCommit={(column) => set({ ...thing, column, columns: Math.min(thing.columns, control.widthPx - column) })}
        />
        <NumberField
          label="Row of eight dots"
          unit=""
          whole
          min={1}
          max={Math.max(1, control.heightPx / 8 - rowsOf(thing) + 1)}
          value={thing.row + 1}
          onCommit={(row) => set({ ...thing, row: row - 1 })}
        />
        {thing.shows !== "picture" && (
          <NumberField
            label="Width (dots)"
            unit=""
            whole
            min={1}
            max={control.widthPx - thing.column}
            value={thing.columns}
            onCommit={(columns) => set({ ...thing, columns })}
          />
        )}
      </Columns>
      {"text" in thing || thing.shows === "layer" || thing.shows === "deed" || thing.shows === "value" ? (
        <Checkbox
          label="Twice as large"
          checked={thing.large === true}
          onChange={(large) => {
            const { large: _, ...small } = thing;
            set(large ? { ...thing, large: true } : (small as PageThing));
          }}
        />
      ) : null}
    </>
  );
}

function OfSort(props: ThingFieldsProps) {
  const { thing, set } = props;
  if (thing.shows === "text")
    return <TextField label="Text" value={thing.text} check={badText} onCommit={(text) => set({ ...thing, text })} />;
  if (thing.shows === "deed") return <DeedFields {...props} thing={thing} />;
  if (thing.shows === "value") return <ValueFields {...props} thing={thing} />;
  if (thing.shows === "bar") return <ValueOf {...props} thing={thing} />;
  if (thing.shows === "picture") return <PictureFields thing={thing} set={set} />;
  return null;
}

type Deed = Extract<PageThing, { shows: "deed" }>;

/** Which input, and what is said of it on the layer in hand. */
function DeedFields({ design, layer, thing, set }: ThingFieldsProps<Deed>) {
  const inputs = derive(design).bindable;
  const isThere = inputs.some(({ id }) => id === thing.inputId);
  const { words = {} } = thing;
  const own = Object.hasOwn(words, layer.id) ? words[layer.id] : "";
  const usual = deedWords(design, { ...thing, words: {} }, layer);
  const say = (text: string) => {
    const { [layer.id]: _, ...others } = words;
    const now = text.trim() === "" ? others : { ...others, [layer.id]: text };
    set({ ...thing, words: Object.keys(now).length > 0 ? now : undefined });
  };
  return (
    <>
      <ChoiceField
        label="What this does"
        value={isThere ? thing.inputId : ""}
        choices={[
          ...(isThere ? [] : [{ value: "", label: "something that is gone" }]),
          ...inputs.map(({ id, label }) => ({ value: id, label })),
        ]}
        onCommit={(inputId) => inputId !== "" && set({ ...thing, inputId })}
      />
      <TextField
        label={`Called on ${layer.name}`}
        value={own}
        check={(text) => (text.trim() === "" ? null : badText(text))}
        help={
          own !== ""
            ? undefined
            : usual === ""
              ? "It does nothing of its own on this layer; there it is shown what the layer beneath says."
              : `Left empty it says “${usual}”.`
        }
        onCommit={say}
      />
    </>
  );
}

type Valued = Extract<PageThing, { elementId: string }>;

function ValueOf({ design, thing, set }: ThingFieldsProps<Valued>) {
  const values = knobsOf(design);
  const isThere = values.some(({ id }) => id === thing.elementId);
  return (
    <ChoiceField
      label="Value of"
      value={isThere ? thing.elementId : ""}
      choices={[
        ...(isThere ? [] : [{ value: "", label: "something that is gone" }]),
        ...values.map(({ id, label }) => ({ value: id, label })),
      ]}
      onCommit={(elementId) => elementId !== "" && set({ ...thing, elementId })}
    />
  );
}

function ValueFields(props: ThingFieldsProps<Extract<PageThing, { shows: "value" }>>) {
  const { design, thing, set } = props;
  const scale = 10 ** thing.point;
  const end = (label: string, field: "low" | "high") => (
    <NumberField
      label={label}
      unit=""
      decimals={thing.point}
      min={-SHOWN_MOST / scale}
      max={SHOWN_MOST / scale}
      value={thing[field] / scale}
      onCommit={(value) => set({ ...thing, [field]: Math.round(value * scale) })}
    />
  );
  return (
    <Box display="contents">
      <ValueOf {...props} />
      <Columns>
        {end("Shown at 0", "low")}
        {end(`Shown at ${topOf(design, thing.elementId)}`, "high")}
        <NumberField
          label="Behind the point"
          unit=""
          whole
          min={0}
          max={4}
          value={thing.point}
          onCommit={(point) => set({ ...thing, point })}
        />
      </Columns>
    </Box>
  );
}
