"use client";

import { axisUsePhrase } from "@/core/axisUses";
import type { Design, Layer } from "@/core/document/schema";
import { derive } from "@/core/derived/derive";
import { togetherInput } from "@/core/document/keyRules";
import { phraseOf } from "@/core/bindings";
import { phraseContextOf } from "@/core/keymap/phraseContext";
import { select, pickInput, pickLayer } from "@/store/hand";
import { Table } from "@/ui/pieces/Table";
import { useKeymap } from "./useKeymap";

interface Line {
  id: string;
  label: string;
}

/** What an input or an axis does on a layer, or null. */
function wordsOf(design: Design, { bindings, axes = {} }: Layer, id: string): string | null {
  if (Object.hasOwn(bindings, id)) return phraseOf(bindings[id], phraseContextOf(design));
  return Object.hasOwn(axes, id) ? axisUsePhrase(axes[id]) : null;
}

/** Every input and every axis with what it does on every layer. */
export function KeymapTable() {
  const { design, input, layer } = useKeymap();
  const { inputs, bindable, elements } = derive(design);
  const isBound = (id: string) => design.keymap.layers.some(({ bindings }) => Object.hasOwn(bindings, id));
  const needNot = new Set(inputs.flatMap(({ id, motion }) => (motion === "high" || motion === "low" ? [id] : [])));
  const axes = [...elements.values()].filter(({ kind }) => kind === "analog");
  const rows: Line[] = [...bindable.filter(({ id }) => !needNot.has(id) || isBound(id)), ...axes];
  const controlOf = new Map([...inputs, ...axes].map(({ id, controlId }) => [id, controlId]));
  const controlsOf = (inputId: string) => {
    const parts = design.keymap.together?.find(({ id }) => togetherInput(id) === inputId)?.parts ?? [inputId];
    return parts.flatMap((part) => controlOf.get(part) ?? []);
  };
  const pick = (inputId: string, layerId?: string) => {
    select(controlsOf(inputId));
    pickInput(elements.has(inputId) && elements.get(inputId)!.kind === "analog" ? null : inputId);
    if (layerId) pickLayer(layerId);
  };
  return (
    <Table
      label="Bindings by layer"
      rows={rows}
      rowId={(row) => row.id}
      isSelected={(row) => row.id === input?.id}
      onPick={(row) => pick(row.id)}
      empty="There is nothing to bind yet. Place keys or encoders in Layout."
      columns={[
        { title: "Input", cell: (row) => row.label, width: "220px" },
        ...design.keymap.layers.map((column, nth) => ({
          title: nth === 0 && column.name !== "Base" ? `${column.name} (base)` : column.name,
          cell: (row: Line) => {
            const said = wordsOf(design, column, row.id);
            const words = said ?? (nth === 0 ? "–" : "as beneath");
            return (
              <button
                onClick={() => pick(row.id, column.id)}
                aria-label={`${row.label} on ${column.name}: ${words}`}
                style={{
                  color: said ? "inherit" : "var(--faint)",
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
