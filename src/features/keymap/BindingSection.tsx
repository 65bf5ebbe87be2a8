"use client";

import dynamic from "next/dynamic";
import { Box } from "@chakra-ui/react";
import { bind } from "@/core/edits/keymap";
import { modifierNames } from "@/core/hid/keyboardUsages";
import { type Binding, phraseOf } from "@/core/bindings";
import { phraseContextOf } from "@/core/keymap/phraseContext";
import { edit } from "@/store/bench";
import { pickInput } from "@/store/hand";
import { PlainButton } from "@/ui/pieces/buttons";
import { ChoiceField, Checkbox } from "@/ui/pieces/fields";
import { Row, Section } from "@/ui/pieces/sheets";
import { PressToBind } from "./PressToBind";
import { useKeymap } from "./useKeymap";

/** The search comes with the first input that is taken in hand. */
const UsageSearch = dynamic(() => import("./UsageSearch").then((m) => m.UsageSearch));

const MODIFIER_BITS = [0, 1, 2, 3, 4, 5, 6, 7];

/** What the input in hand does on the layer in hand. */
export function BindingSection() {
  const { design, layer, inputs, input } = useKeymap();
  if (!input) return null;
  const context = phraseContextOf(design);
  const binding = layer.bindings[input.id];
  const isBase = layer.id === design.keymap.layers[0].id;
  const set = (next: Binding | null) =>
    edit(next ? `bind ${input.label}` : `clear ${input.label}`, (d) => bind(d, layer.id, input.id, next));
  const layerChoices = [
    { value: "", label: "choose a layer" },
    ...design.keymap.layers.map(({ id, name }) => ({ value: id, label: name })),
  ];
  return (
    <Section title={`${input.label} on ${layer.name}`}>
      {inputs.length > 1 && (
        <ChoiceField
          label="Movement"
          value={input.id}
          choices={inputs.map(({ id, label }) => ({ value: id, label }))}
          onCommit={pickInput}
        />
      )}
      <Box
        padding="8px 10px"
        bg="var(--paper)"
        borderLeft="4px solid var(--saffron)"
        fontWeight="600"
        role="status"
        aria-label="What it does"
      >
        {binding ? phraseOf(binding, context) : isBase ? "nothing yet" : "as on the layer beneath"}
      </Box>
      <UsageSearch
        onUsage={(hit) =>
          set(
            hit.page === "keyboard"
              ? { does: "keyboard", usage: hit.usage, modifiers: 0 }
              : { does: "consumer", usage: hit.usage },
          )
        }
      />
      <PressToBind onUsage={(usage, modifiers) => set({ does: "keyboard", usage, modifiers })} />
      {binding?.does === "keyboard" && (
        <Box>
          <Box color="var(--faint)" fontSize="13px">
            Held with it
          </Box>
          <Box display="grid" gridTemplateColumns="1fr 1fr">
            {MODIFIER_BITS.map((bit) => (
              <Checkbox
                key={bit}
                label={modifierNames(1 << bit)[0]}
                checked={((binding.modifiers >> bit) & 1) === 1}
                onChange={() => set({ ...binding, modifiers: binding.modifiers ^ (1 << bit) })}
              />
            ))}
          </Box>
        </Box>
      )}
      {design.keymap.layers.length > 1 && input.motion === "press" && (
        <>
          <ChoiceField
            label="Hold for a layer"
            value={binding?.does === "hold-layer" ? binding.layerId : ""}
            choices={layerChoices}
            onCommit={(layerId) => layerId && set({ does: "hold-layer", layerId })}
          />
          <ChoiceField
            label="Stay on a layer"
            value={binding?.does === "stay-layer" ? binding.layerId : ""}
            choices={layerChoices}
            onCommit={(layerId) => layerId && set({ does: "stay-layer", layerId })}
          />
        </>
      )}
      <Row>
        <PlainButton onClick={() => set({ does: "nothing" })}>Do nothing</PlainButton>
        <PlainButton onClick={() => set(null)} disabled={!binding}>
          {isBase ? "Clear" : "As beneath"}
        </PlainButton>
      </Row>
    </Section>
  );
}
