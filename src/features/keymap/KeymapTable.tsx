"use client";

import { derive } from "@/core/derived/derive";
import { togetherInput } from "@/core/document/keyRules";
import { phraseOf } from "@/core/bindings";
import { phraseContextOf } from "@/core/keymap/phraseContext";
import { select, pickInput, pickLayer } from "@/store/hand";
import { Table } from "@/ui/pieces/Table";
import { useKeymap } from "./useKeymap";

/** Every input with what it does on every layer. */
export function KeymapTable() {
  const { design, input, layer } = useKeymap();
  const context = phraseContextOf(design);
  const { inputs, bindable } = derive(design);
  const controlOf = new Map(inputs.map(({ id, controlId }) => [id, controlId]));
  const controlsOf = (inputId: string) => {
    const parts = design.keymap.together?.find(({ id }) => togetherInput(id) === inputId)?.parts ?? [inputId];
    return parts.flatMap((part) => controlOf.get(part) ?? []);
  };
  const pick = (inputId: string, layerId?: string) => {
    select(controlsOf(inputId));
    pickInput(inputId);
    if (layerId) pickLayer(layerId);
  };
  return (
    <Table
      label="Bindings by layer"
      rows={bindable}
      rowId={(row) => row.id}
      isSelected={(row) => row.id === input?.id}
      onPick={(row) => pick(row.id)}
      empty="There is nothing to bind yet. Place keys or encoders in Layout."
      columns={[
        { title: "Input", cell: (row) => row.label, width: "220px" },
        ...design.keymap.layers.map((column, nth) => ({
          title: nth === 0 && column.name !== "Base" ? `${column.name} (base)` : column.name,
          cell: (row: { id: string; label: string }) => {
            const binding = column.bindings[row.id];
            const words = binding ? phraseOf(binding, context) : nth === 0 ? "–" : "as beneath";
            return (
              <button
                onClick={() => pick(row.id, column.id)}
                aria-label={`${row.label} on ${column.name}: ${words}`}
                style={{
                  color: binding ? "inherit" : "var(--faint)",
                  fontWeight: column.id === layer.id && row.id === input?.id ? 700 : 400,
                  minHeight: 24,
                }}
              >
                {words}
              </button>
            );
          },
        })),
      ]}
    />
  );
}
