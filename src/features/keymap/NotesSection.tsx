"use client";

import { Box } from "@chakra-ui/react";
import { useState } from "react";
import { derive } from "@/core/derived/derive";
import type { Design } from "@/core/document/schema";
import { layNotes, noteOrder, usualLay } from "@/core/edits/layNotes";
import { noteName } from "@/core/hid/musicWords";
import { noteOfScale, scaleIds, scales } from "@/core/keymap/scales";
import { edit } from "@/store/bench";
import { useHand } from "@/store/hand";
import { PlainButton } from "@/ui/pieces/buttons";
import { ChoiceField } from "@/ui/pieces/fields";
import { Columns, Row, Section } from "@/ui/pieces/sheets";
import { ChannelField, NoteField } from "@/ui/pieces/musicFields";
import { SevenBits } from "./MusicDeeds";
import { useKeymap } from "./useKeymap";

/** Keys that notes are laid over: those in hand where there are several; else all that play a note there or do nothing. */
function keysFor(design: Design, layerId: string, selection: string[]): string[] {
  const { bindings } = design.keymap.layers.find(({ id }) => id === layerId)!;
  const presses = derive(design).inputs.filter(({ motion }) => motion === "press");
  const inHand = presses.filter(({ controlId }) => selection.includes(controlId));
  if (inHand.length > 1) return inHand.map(({ id }) => id);
  const isFree = (id: string) => !Object.hasOwn(bindings, id) || bindings[id].does === "note";
  return presses.filter(({ id }) => isFree(id)).map(({ id }) => id);
}

/** Notes over many keys at once. */
export function NotesSection() {
  const { design, layer } = useKeymap();
  const selection = useHand((state) => state.selection);
  const [lay, setLay] = useState(usualLay);
  const keys = keysFor(design, layer.id, selection);
  const next = layNotes(design, layer.id, keys, lay);
  const last = noteOfScale(lay.scale, lay.first, keys.length - 1);
  return (
    <Section title={`Notes on ${layer.name}`}>
      <Columns>
        <NoteField label="First note" note={lay.first} onNote={(first) => setLay({ ...lay, first })} />
        <ChoiceField
          label="Scale"
          value={lay.scale}
          choices={scaleIds.map((value) => ({ value, label: scales[value].title }))}
          onCommit={(scale) => setLay({ ...lay, scale: scale as typeof lay.scale })}
        />
        <ChoiceField
          label="Rows"
          value={lay.from}
          choices={[
            { value: "near", label: "near row lowest" },
            { value: "far", label: "far row lowest" },
          ]}
          onCommit={(from) => setLay({ ...lay, from: from as typeof lay.from })}
        />
        <SevenBits
          label="Velocity"
          least={1}
          value={lay.velocity}
          onValue={(velocity) => setLay({ ...lay, velocity })}
        />
        <ChannelField channel={lay.channel} onChannel={(channel) => setLay({ ...lay, channel })} />
      </Columns>
      <Row>
        <PlainButton
          disabled={keys.length === 0 || next === null}
          onClick={() => next && edit(`notes on ${layer.name}`, (d) => layNotes(d, layer.id, keys, lay) ?? d)}
        >
          Lay notes over {keys.length} {keys.length === 1 ? "key" : "keys"}
        </PlainButton>
      </Row>
      <Box fontSize="13px" color="var(--faint)" aria-live="polite">
        {keys.length === 0
          ? "Every key does something else here: select those that shall play, or forget what they do."
          : next === null
            ? `${keys.length} notes from ${noteName(lay.first)} on are more than there are: the last is G9.`
            : `${noteName(lay.first)} to ${noteName(last)}, from ${nameAt(design, keys, lay.from)} on. Select keys to choose which.`}
      </Box>
    </Section>
  );
}

function nameAt(design: Design, keys: string[], from: "near" | "far"): string {
  const [first] = noteOrder(design, keys, from);
  return derive(design).inputs.find(({ id }) => id === first)?.label ?? first;
}
