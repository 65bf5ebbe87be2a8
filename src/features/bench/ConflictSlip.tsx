"use client";

import { keepMine, takeTheirs, useBench, useDesign } from "@/store/bench";
import { addCopy } from "@/store/shelf";
import { PlainButton, StepButton } from "@/ui/pieces/buttons";
import { notify } from "@/ui/pieces/notices";
import { Slip } from "@/ui/pieces/Slip";

const time = (iso: string) =>
  new Date(iso).toLocaleTimeString(undefined, { hour: "2-digit", minute: "2-digit", second: "2-digit" });

/** Two tabs changed one design: nothing is overwritten before the person has said which counts. */
export function ConflictSlip() {
  const saving = useBench((state) => state.saving);
  const design = useDesign();
  if (saving.state !== "conflict") return null;
  const keepBoth = async () => {
    const id = await addCopy({ ...design, name: `${design.name} (this tab)`.slice(0, 80) });
    if (!id) return;
    takeTheirs();
    notify(`What you had here is on the shelf as "${design.name} (this tab)".`);
  };
  return (
    <Slip
      urgent
      open
      onClose={() => {}}
      title="Changed in another tab"
      actions={
        <>
          <PlainButton onClick={() => void keepMine()}>Keep mine, overwrite theirs</PlainButton>
          <PlainButton onClick={takeTheirs}>Take theirs</PlainButton>
          <StepButton onClick={() => void keepBoth()}>Keep both</StepButton>
        </>
      }
    >
      Another tab saved {saving.stored.design.name} at {time(saving.stored.savedAt)}, while it also lay on this bench.
      Nothing has been overwritten. With “Keep both”, yours goes on the shelf under a name of its own and the other
      tab’s comes here.
    </Slip>
  );
}
