"use client";

import { later } from "@/ui/pieces/later";
import { useState } from "react";
import { Box } from "@chakra-ui/react";
import type { ReadKeymap } from "@/core/formats/keymapCsv";
import { FileButton } from "@/ui/pieces/FileButton";
import { Row, Section } from "@/ui/pieces/sheets";
import { useKeymap } from "./useKeymap";

const ReadDialog = later(() => import("./KeymapReadDialog").then((m) => m.ReadDialog));

const MOST_BYTES = 2_000_000;

/** A keymap table that was changed elsewhere, read back: what it changes is shown before it is taken. */
export function KeymapFile() {
  const { design } = useKeymap();
  const [read, setRead] = useState<ReadKeymap | null>(null);
  const [trouble, setTrouble] = useState("");
  const open = async (file: File) => {
    setTrouble("");
    if (file.size > MOST_BYTES) return setTrouble(`${file.name} is larger than any keymap table; nothing was read.`);
    // The parser comes with the first file.
    const { readKeymapCsv } = await import("@/core/formats/keymapCsv");
    setRead(readKeymapCsv(design, await file.text()));
  };
  return (
    <Section title="From a file">
      <Row>
        <FileButton
          title="Read a keymap table"
          label="Keymap table"
          accept=".csv,text/csv"
          onFile={(file) => void open(file)}
        />
      </Row>
      <Box fontSize="13px" color="var(--faint)">
        CSV, as the export “Keymap as a table” writes it.
      </Box>
      {trouble && (
        <Box role="alert" color="var(--stop)" fontWeight="600">
          {trouble}
        </Box>
      )}
      {read && <ReadDialog read={read} onClose={() => setRead(null)} />}
    </Section>
  );
}
