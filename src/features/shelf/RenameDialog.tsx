"use client";

import { Input } from "@chakra-ui/react";
import { useState } from "react";
import { PlainButton, StepButton } from "@/ui/pieces/buttons";
import { Dialog } from "@/ui/pieces/Dialog";

interface RenameDialogProps {
  name: string;
  onName: (name: string) => void;
  onClose: () => void;
}

export function RenameDialog({ name, onName, onClose }: RenameDialogProps) {
  const [draft, setDraft] = useState(name);
  const wanted = draft.trim();
  const rename = () => {
    if (wanted === "") return;
    if (wanted !== name) onName(wanted);
    onClose();
  };
  return (
    <Dialog
      open
      onClose={onClose}
      title={`Rename ${name}`}
      actions={
        <>
          <PlainButton onClick={onClose}>Leave it</PlainButton>
          <StepButton onClick={rename} disabled={wanted === ""}>
            Rename
          </StepButton>
        </>
      }
    >
      <Input
        aria-label="New name"
        autoFocus
        maxLength={80}
        value={draft}
        onChange={(event) => setDraft(event.target.value)}
        onKeyDown={(event) => event.key === "Enter" && rename()}
      />
      {wanted === "" && <p role="alert">A design needs a name.</p>}
    </Dialog>
  );
}
