"use client";

import { Input } from "@chakra-ui/react";
import { useState } from "react";
import { PlainButton, StepButton } from "@/ui/pieces/buttons";
import { Slip } from "@/ui/pieces/Slip";

interface RenameSlipProps {
  name: string;
  onName: (name: string) => void;
  onClose: () => void;
}

export function RenameSlip({ name, onName, onClose }: RenameSlipProps) {
  const [draft, setDraft] = useState(name);
  const wanted = draft.trim();
  const rename = () => {
    if (wanted === "") return;
    if (wanted !== name) onName(wanted);
    onClose();
  };
  return (
    <Slip
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
    </Slip>
  );
}
