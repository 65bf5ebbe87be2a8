"use client";

import { Box, Kbd } from "@chakra-ui/react";
import { Dialog } from "@/ui/pieces/Dialog";

const KEYS: [string, string][] = [
  ["Ctrl Z, Ctrl Shift Z", "undo and redo, across all stages"],
  ["Ctrl K", "find an action by name"],
  ["Tab", "into the mat, and on to tray and table"],
  ["Arrows (mat)", "move a selected part by a quarter unit; with Shift by 0.1 mm; else go to the next part"],
  ["Ctrl arrows (mat)", "go to the next part without moving anything"],
  ["Space, Enter (mat)", "add to the selection; select only this. In Reports and Try: press"],
  ["Page Up, Page Down (mat)", "in Reports and Try: turn the encoder"],
  ["Ctrl A, Escape", "select all, select nothing"],
  ["Ctrl D, Delete", "duplicate, remove (Layout)"],
  ["+ − 0", "zoom in, zoom out, fit"],
  ["D, S, B", "while steps are walked: done and on, leave out, back (Make)"],
  ["F", "turn the mat over to the solder side"],
  ["Wheel, Shift wheel", "zoom at the pointer, move sideways"],
  ["Middle button or Space and drag", "move the mat"],
];

/** What the keys do. */
export function KeysDialog({ onClose }: { onClose: () => void }) {
  return (
    <Dialog title="Keys of the bench" open onClose={onClose}>
      <Box as="dl" display="grid" gridTemplateColumns="200px 1fr" gap="6px 14px">
        {KEYS.map(([keys, does]) => (
          <Box key={keys} display="contents">
            <dt>
              <Kbd bg="var(--paper)" color="var(--ink)" whiteSpace="normal">
                {keys}
              </Kbd>
            </dt>
            <dd>{does}</dd>
          </Box>
        ))}
      </Box>
    </Dialog>
  );
}
