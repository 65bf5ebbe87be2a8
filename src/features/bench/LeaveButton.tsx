"use client";

import { Box, Input } from "@chakra-ui/react";
import { useState } from "react";
import { acceptFinding } from "@/core/edits/journal";
import type { ToldFinding } from "@/core/findings/finding";
import { edit } from "@/store/bench";
import { newId } from "@/store/newId";
import { PlainButton, StepButton } from "@/ui/pieces/buttons";
import { Dialog } from "@/ui/pieces/Dialog";

/** A finding that somebody has thought about and leaves as it is: why goes into the journal. */
export function LeaveButton({ finding }: { finding: ToldFinding }) {
  const [why, setWhy] = useState<string | null>(null);
  const leave = () => {
    const entry = { id: newId(), at: new Date().toISOString(), text: (why ?? "").trim() };
    edit("leave a finding as it is", (design) => acceptFinding(design, finding, entry));
    setWhy(null);
  };
  return (
    <>
      <PlainButton height="26px" onClick={() => setWhy("")}>
        Leave it …
      </PlainButton>
      {why !== null && (
        <Dialog
          open
          onClose={() => setWhy(null)}
          title="Leave it as it is"
          actions={
            <>
              <PlainButton onClick={() => setWhy(null)}>Not yet</PlainButton>
              <StepButton onClick={leave} disabled={why.trim() === ""}>
                Leave it
              </StepButton>
            </>
          }
        >
          <p>{finding.message}</p>
          <Input
            aria-label="Why it can stay"
            placeholder="Why it can stay"
            autoFocus
            maxLength={1000}
            marginTop="10px"
            value={why}
            onChange={(event) => setWhy(event.target.value)}
            onKeyDown={(event) => event.key === "Enter" && why.trim() !== "" && leave()}
          />
          <Box marginTop="8px" fontSize="13px" color="var(--faint)">
            It stands in the journal and the build book. When the finding says something else, it is told again.
          </Box>
        </Dialog>
      )}
    </>
  );
}
