"use client";

import { Box } from "@chakra-ui/react";
import { addLayer, removeLayer, renameLayer } from "@/core/edits/keymap";
import { designSchema } from "@/core/document/schema";
import { fieldOf, limitsOf } from "@/core/schemaLimits";
import { edit } from "@/store/bench";
import { pickLayer } from "@/store/hand";
import { newId } from "@/store/newId";
import { PlainButton } from "@/ui/pieces/buttons";
import { TextField } from "@/ui/pieces/fields";
import { Row, Section } from "@/ui/pieces/sheets";
import { useKeymap } from "./useKeymap";

const MOST_LAYERS = limitsOf(fieldOf(designSchema, "keymap", "layers")).most;

/** The stack of layers; the one in hand shows on the mat. */
export function LayersSection() {
  const { design, layer } = useKeymap();
  const { layers } = design.keymap;
  const isBase = layer.id === layers[0].id;
  const add = () => {
    const id = newId();
    edit("add a layer", (d) => addLayer(d, id, `Layer ${d.keymap.layers.length + 1}`));
    pickLayer(id);
  };
  return (
    <Section title="Layers">
      <Box role="group" aria-label="Layer in hand" display="flex" flexDirection="column" gap="2px">
        {layers.map((one, nth) => {
          const inHand = one.id === layer.id;
          return (
            <button
              key={one.id}
              aria-pressed={inHand}
              onClick={() => pickLayer(one.id)}
              style={{
                textAlign: "left",
                padding: "4px 8px",
                borderLeft: `4px solid ${inHand ? "var(--saffron)" : "var(--edge)"}`,
                background: inHand ? "var(--paper)" : "transparent",
                fontWeight: inHand ? 600 : 400,
              }}
            >
              {nth + 1}. {one.name}
              <span style={{ color: "var(--faint)", float: "right" }}>
                {nth === 0 ? "base" : `${Object.keys(one.bindings).length} bound`}
              </span>
            </button>
          );
        })}
      </Box>
      <TextField
        key={layer.id}
        label="Name of this layer"
        value={layer.name}
        check={(text) => (text.trim() === "" || text.length > 40 ? "A name has 1 to 40 characters." : null)}
        onCommit={(name) => edit("rename a layer", (d) => renameLayer(d, layer.id, name.trim()))}
      />
      <Row>
        <PlainButton onClick={add} disabled={layers.length >= MOST_LAYERS}>
          Add a layer
        </PlainButton>
        <PlainButton onClick={() => edit(`remove ${layer.name}`, (d) => removeLayer(d, layer.id))} disabled={isBase}>
          Remove {layer.name}
        </PlainButton>
      </Row>
    </Section>
  );
}
