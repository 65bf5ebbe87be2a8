"use client";

import { later } from "@/ui/pieces/later";
import { useState } from "react";
import { Box } from "@chakra-ui/react";
import type { KeymapDifference } from "@/core/keymap/compareKeymaps";
import { PlainButton } from "@/ui/pieces/buttons";
import { FileButton } from "@/ui/pieces/FileButton";
import { ChoiceField } from "@/ui/pieces/fields";
import { Row, Section } from "@/ui/pieces/sheets";
import { useKeymap } from "./useKeymap";

const PlacementDialog = later(() => import("./PlacementDialog").then((m) => m.PlacementDialog));
const CompareDialog = later(() => import("./CompareDialog").then((m) => m.CompareDialog));

interface Compared {
  title: string;
  /** What the two sides are called. */
  sides: [here: string, there: string];
  differences: KeymapDifference[];
}

const MOST_BYTES = 8_000_000;

/** The layer in hand against another one, this design against an older file, and keys placed for the fingers. */
export function CompareSection() {
  const { design, layer } = useKeymap();
  const [compared, setCompared] = useState<Compared | null>(null);
  const [trouble, setTrouble] = useState("");
  const [isPlacing, setIsPlacing] = useState(false);
  const others = design.keymap.layers.filter(({ id }) => id !== layer.id);
  const withLayer = async (id: string) => {
    const other = others.find((one) => one.id === id);
    if (!other) return;
    const { compareLayers } = await import("@/core/keymap/compareKeymaps");
    setCompared({
      title: `${layer.name} and ${other.name}`,
      sides: [layer.name, other.name],
      differences: compareLayers(design, layer.id, id),
    });
  };
  const withFile = async (file: File) => {
    setTrouble("");
    if (file.size > MOST_BYTES) return setTrouble(`${file.name} is larger than any design; nothing was read.`);
    const [{ readDesignText }, { compareDesigns }] = await Promise.all([
      import("@/core/formats/readDesignText"),
      import("@/core/keymap/compareKeymaps"),
    ]);
    const read = readDesignText(await file.text());
    if (!read.ok) return setTrouble(`${file.name} cannot be compared. ${read.problems[0].message}`);
    setCompared({
      title: `This design and ${file.name}`,
      sides: ["here", "in the file"],
      differences: compareDesigns(design, read.value),
    });
  };
  return (
    <Section title="Compare and improve">
      {others.length > 0 && (
        <ChoiceField
          label={`${layer.name} with`}
          value=""
          choices={[
            { value: "", label: "choose a layer" },
            ...others.map(({ id, name }) => ({ value: id, label: name })),
          ]}
          onCommit={(id) => void withLayer(id)}
        />
      )}
      {trouble && (
        <Box role="alert" color="var(--stop)" fontWeight="600">
          {trouble}
        </Box>
      )}
      <Row>
        <FileButton
          title="Compare with an older file"
          label="Design to compare with"
          accept=".json,application/json"
          onFile={(file) => void withFile(file)}
        />
        <PlainButton onClick={() => setIsPlacing(true)}>Place keys for the fingers</PlainButton>
      </Row>
      {isPlacing && <PlacementDialog onClose={() => setIsPlacing(false)} />}
      {compared && <CompareDialog {...compared} onClose={() => setCompared(null)} />}
    </Section>
  );
}
