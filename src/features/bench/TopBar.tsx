"use client";

import { Box } from "@chakra-ui/react";
import { Download, Keyboard, Moon, Redo2, Search, Sun, Undo2, Usb } from "lucide-react";
import { PageLink } from "@/ui/pieces/PageLink";
import { edit, redoEdit, undoEdit, useBench, useDesign } from "@/store/bench";
import { IconButton, PlainButton, StepButton } from "@/ui/pieces/buttons";
import { setLight, useLight } from "@/ui/theme/light";
import { PlainName } from "./PlainName";

interface TopBarProps {
  onDialog: (dialog: "palette" | "keys" | "export" | "load") => void;
}

/** Which design this is, what can be undone, and where it can go. */
export function TopBar({ onDialog }: TopBarProps) {
  const design = useDesign();
  const { past, future } = useBench((state) => state.history!);
  const light = useLight();
  return (
    <Box
      height="46px"
      display="flex"
      alignItems="center"
      gap="6px"
      paddingInline="12px"
      bg="var(--mat-deep)"
      color="var(--mat-ink)"
    >
      <PageLink
        href="/"
        aria-label="Ovrin: back to the shelf"
        style={{ fontWeight: 700, fontSize: 17, letterSpacing: "0.02em", paddingRight: 10 }}
      >
        Ovrin
      </PageLink>
      <PlainName name={design.name} onName={(name) => edit("rename the design", (d) => ({ ...d, name }))} />
      <SaveWords />
      <Box flex="1" />
      <IconButton
        aria-label={past.length > 0 ? `Undo: ${past.at(-1)!.title}` : "Nothing to undo"}
        disabled={past.length === 0}
        onClick={undoEdit}
      >
        <Undo2 size={17} />
      </IconButton>
      <IconButton
        aria-label={future.length > 0 ? `Redo: ${future.at(-1)!.title}` : "Nothing to redo"}
        disabled={future.length === 0}
        onClick={redoEdit}
      >
        <Redo2 size={17} />
      </IconButton>
      <IconButton aria-label="Find an action (Ctrl K)" onClick={() => onDialog("palette")}>
        <Search size={17} />
      </IconButton>
      <IconButton aria-label="Keys of the bench (?)" onClick={() => onDialog("keys")}>
        <Keyboard size={17} />
      </IconButton>
      <IconButton
        aria-label={light === "day" ? "Night bench" : "Day bench"}
        onClick={() => setLight(light === "day" ? "night" : "day")}
      >
        {light === "day" ? <Moon size={17} /> : <Sun size={17} />}
      </IconButton>
      <PlainButton bg="transparent" color="inherit" onClick={() => onDialog("export")}>
        <Download size={16} /> Export
      </PlainButton>
      <StepButton onClick={() => onDialog("load")}>
        <Usb size={16} /> Load it
      </StepButton>
    </Box>
  );
}

const WORDS = { saved: "saved", waiting: "saving …", writing: "saving …", failed: "not saved", conflict: "not saved" };

function SaveWords() {
  const state = useBench((bench) => bench.saving.state);
  return (
    <Box fontSize="13px" role="status" opacity={0.9} paddingLeft="6px">
      {WORDS[state]}
    </Box>
  );
}
