"use client";

import dynamic from "next/dynamic";
import { useState } from "react";
import { Box } from "@chakra-ui/react";
import type { ReadKeymap } from "@/core/formats/keymapCsv";
import { Section } from "@/ui/pieces/sheets";
import { useKeymap } from "./useKeymap";

const ReadDialog = dynamic(() => import("./KeymapReadDialog").then((m) => m.ReadDialog));

const MOST_BYTES = 2_000_000;

/** A keymap table that was changed elsewhere, read back: what it changes is shown before it is taken. */
export function KeymapFile() {
  const { design } = useKeymap();
  const [read, setRead] = useState<ReadKeymap | null>(null);
  const [trouble, setTrouble] = useState("");
  const open = async (file: File | undefined) => {
    setTrouble("");
    if (!file) return;
    if (file.size > MOST_BYTES) return setTrouble(`${file.name} is larger than any keymap table; nothing was read.`);
    // The parser comes with the first file.
    const { readKeymapCsv } = await import("@/core/formats/keymapCsv");
    setRead(readKeymapCsv(design, await file.text()));
  };
  return (
    <Section title="From a file">
      <label>
        <Box fontSize="13px" color="var(--faint)">
          A keymap table (CSV), as “Keymap as a table” writes it
        </Box>
        <input
          type="file"
          accept=".csv,text/csv"
          aria-label="Keymap table"
          onChange={(event) => {
            void open(event.target.files?.[0]);
            event.target.value = "";
          }}
        />
      </label>
      {trouble && (
        <Box role="alert" color="var(--stop)" fontWeight="600">
          {trouble}
        </Box>
      )}
      {read && <ReadDialog read={read} onClose={() => setRead(null)} />}
    </Section>
  );
}
