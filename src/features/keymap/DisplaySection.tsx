"use client";

import { Box } from "@chakra-ui/react";
import { useState } from "react";
import type { Display } from "@/core/catalogue/kinds/display";
import { DISPLAYS } from "@/core/contract/displays";
import { derive } from "@/core/derived/derive";
import { type DisplayPage, type PageThing, isWrittenByRows, rowsOf } from "@/core/document/displayPages";
import type { Design } from "@/core/document/schema";
import { firstPage, setPage } from "@/core/edits/displays";
import { topOf } from "@/core/firmware/shownStates";
import { pageThingWords } from "@/core/keymap/pageWords";
import { edit, useDesign } from "@/store/bench";
import { PlainButton } from "@/ui/pieces/buttons";
import { ChoiceField } from "@/ui/pieces/fields";
import { Row, Section } from "@/ui/pieces/sheets";
import { PageFields } from "./PageFields";
import { PageView } from "./PageView";
import { knobsOf } from "./shownStates";
import { useKeymap } from "./useKeymap";

const BENEATH = "beneath";
const OWN = "own";
const EMPTY = "empty";

/** The page of a display on the layer in hand: things that are placed on it. */
export function DisplaySection({ control }: { control: Display }) {
  const design = useDesign();
  const { layer } = useKeymap();
  const [inHand, setInHand] = useState(0);
  const { displays = {} } = layer;
  const own = Object.hasOwn(displays, control.id) ? displays[control.id] : null;
  const isBase = layer.id === design.keymap.layers[0].id;
  const set = (page: DisplayPage | null) =>
    edit(`page of ${control.label} on ${layer.name}`, (d) => setPage(d, layer.id, control.id, page));
  if (!isWrittenByRows(control))
    return (
      <Section title={`${control.label} on ${layer.name}`}>
        <div>The firmware writes rows of eight dots of one bit. What this display shows is not its work.</div>
      </Section>
    );
  const beneath = pageBeneath(design, control.id);
  const fresh: Record<string, () => DisplayPage | null> = {
    [BENEATH]: () => null,
    [OWN]: () => (beneath && beneath.length > 0 && !isBase ? beneath : firstPage(design, control)),
    [EMPTY]: () => [],
  };
  return (
    <Section title={`${control.label} on ${layer.name}`}>
      <ChoiceField
        label="It shows"
        value={own === null ? BENEATH : own.length > 0 ? OWN : EMPTY}
        choices={[
          { value: BENEATH, label: isBase ? "nothing yet" : "the page of the layer beneath" },
          { value: OWN, label: "a page of its own" },
          { value: EMPTY, label: "an empty page" },
        ]}
        onCommit={(what) => set(fresh[what]())}
      />
      <PageView
        control={control}
        layer={layer}
        page={own ?? beneath ?? []}
        inHand={own ? inHand : -1}
        onPick={own ? setInHand : undefined}
        onPlace={own ? (page) => set(page) : undefined}
      />
      {own && <Things control={control} page={own} inHand={inHand} onPick={setInHand} set={set} />}
    </Section>
  );
}

/** That of the base, which is shown where a layer has none. */
const pageBeneath = ({ keymap }: Design, id: string): DisplayPage | null => {
  const { displays = {} } = keymap.layers[0];
  return Object.hasOwn(displays, id) ? displays[id] : null;
};

interface ThingsProps {
  control: Display;
  page: DisplayPage;
  inHand: number;
  onPick: (nth: number) => void;
  set: (page: DisplayPage) => void;
}

/** What is on the page, one thing a line, and the fields of the one in hand. */
function Things({ control, page, inHand, onPick, set }: ThingsProps) {
  const { design, layer } = useKeymap();
  const thing = page[inHand];
  const add = (next: PageThing) => {
    set([...page, next]);
    onPick(page.length);
  };
  return (
    <>
      <Box as="ul" listStyleType="none" margin="0" padding="0" aria-label="Things on the page">
        {page.map((one, nth) => (
          <li key={nth}>
            <button
              aria-pressed={nth === inHand}
              onClick={() => onPick(nth)}
              style={{
                width: "100%",
                textAlign: "left",
                padding: "2px 6px",
                borderRadius: 3,
                fontSize: 13,
                background: nth === inHand ? "var(--saffron)" : "transparent",
                color: nth === inHand ? "var(--saffron-ink)" : "inherit",
              }}
            >
              {pageThingWords(design, one)}
            </button>
          </li>
        ))}
      </Box>
      <AddThing design={design} control={control} page={page} add={add} />
      {thing && (
        <>
          <PageFields
            key={inHand}
            design={design}
            layer={layer}
            control={control}
            thing={thing}
            set={(next) => set(page.map((one, nth) => (nth === inHand ? next : one)))}
          />
          <Row>
            <PlainButton
              onClick={() => {
                set(page.filter((_, nth) => nth !== inHand));
                onPick(Math.max(0, inHand - 1));
              }}
            >
              Take it off the page
            </PlainButton>
          </Row>
        </>
      )}
    </>
  );
}

/** An empty picture to paint on. */
const BLANK_PX = { columns: 16, rows: 2, dots: "00".repeat(32) };

/** The first row from the top from which on so many are free; the lowest such place where none is. */
function freeRow(page: DisplayPage, rows: number, needed: number): number {
  const isTaken = (row: number) => page.some((one) => one.row <= row && row < one.row + rowsOf(one));
  const isFree = (row: number) => Array.from({ length: needed }, (_, nth) => row + nth).every((one) => !isTaken(one));
  const last = Math.max(0, rows - needed);
  for (let row = 0; row <= last; row++) if (isFree(row)) return row;
  return last;
}

function AddThing(props: { design: Design; control: Display; page: DisplayPage; add: (thing: PageThing) => void }) {
  const { design, control, page, add } = props;
  const values = knobsOf(design);
  const inputs = derive(design).bindable;
  const rows = control.heightPx / 8;
  const place = { column: 0, row: freeRow(page, rows, 1), columns: control.widthPx };
  const fresh: Record<string, () => PageThing> = {
    text: () => ({ shows: "text", ...place, text: "Text" }),
    layer: () => ({ shows: "layer", ...place }),
    deed: () => ({ shows: "deed", ...place, inputId: inputs[0].id }),
    value: () => {
      const [{ id }] = values;
      return {
        shows: "value",
        ...place,
        columns: Math.min(36, control.widthPx),
        elementId: id,
        low: 0,
        high: topOf(design, id),
        point: 0,
      };
    },
    bar: () => ({ shows: "bar", ...place, elementId: values[0].id }),
    picture: () => ({
      shows: "picture",
      ...BLANK_PX,
      column: 0,
      row: freeRow(page, rows, BLANK_PX.rows),
    }),
  };
  const isFull = page.length >= DISPLAYS.THINGS;
  return (
    <>
      <ChoiceField
        label="Put on the page"
        value=""
        choices={[
          { value: "", label: isFull ? `no more than ${DISPLAYS.THINGS} things` : "choose …" },
          { value: "text", label: "a text", disabled: isFull },
          { value: "layer", label: "the name of the layer", disabled: isFull },
          { value: "deed", label: "what a key or knob does", disabled: isFull || inputs.length === 0 },
          { value: "value", label: "a value", disabled: isFull || values.length === 0 },
          { value: "bar", label: "a value as a bar", disabled: isFull || values.length === 0 },
          { value: "picture", label: "a picture of one’s own", disabled: isFull },
        ]}
        onCommit={(shows) => shows !== "" && add(fresh[shows]())}
      />
      {values.length === 0 && (
        <Box fontSize="13px" color="var(--faint)">
          Nothing has a value yet: a knob, a stick or a pot, or values that the computer tells (Reports).
        </Box>
      )}
    </>
  );
}
