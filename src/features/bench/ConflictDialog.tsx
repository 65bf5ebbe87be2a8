"use client";

import { readDesign } from "@/core/document/readDesign";
import type { StoredDesign } from "@/store/database";
import { keepMine, keepTheirs, useBench, useDesign } from "@/store/bench";
import { addCopy } from "@/store/shelf";
import { PlainButton, StepButton } from "@/ui/pieces/buttons";
import { notify } from "@/ui/pieces/notices";
import { Dialog } from "@/ui/pieces/Dialog";

const time = (iso: string) =>
  new Date(iso).toLocaleTimeString(undefined, { hour: "2-digit", minute: "2-digit", second: "2-digit" });

/** Two tabs changed one design: nothing is overwritten before the person has said which counts. */
export function ConflictDialog() {
  const saving = useBench((state) => state.saving);
  if (saving.state !== "conflict") return null;
  return saving.stored ? <ChangedDialog stored={saving.stored} /> : <RemovedDialog />;
}

/** What lies here goes on the shelf as a design of its own. @returns whether it does */
async function shelveCopy(design: ReturnType<typeof useDesign>): Promise<boolean> {
  const id = await addCopy({ ...design, name: `${design.name.slice(0, 69)} (this tab)` });
  if (id) notify(`What you had here is on the shelf as “${design.name} (this tab)”.`);
  return id !== null;
}

function ChangedDialog({ stored }: { stored: StoredDesign }) {
  const design = useDesign();
  const read = readDesign(stored.design);
  const keepBoth = async () => {
    if (await shelveCopy(design)) keepTheirs();
  };
  return (
    <Dialog
      urgent
      open
      onClose={() => {}}
      title="Changed in another tab"
      actions={
        <>
          <PlainButton onClick={() => void keepMine()}>Keep mine, overwrite theirs</PlainButton>
          {read.ok ? (
            <>
              <PlainButton onClick={keepTheirs}>Take theirs</PlainButton>
              <StepButton onClick={() => void keepBoth()}>Keep both</StepButton>
            </>
          ) : (
            <StepButton onClick={() => void shelveCopy(design)}>Put mine on the shelf beside it</StepButton>
          )}
        </>
      }
    >
      Another tab saved {stored.design.name} at {time(stored.savedAt)}, while it also lay on this bench. Nothing has
      been overwritten.{" "}
      {read.ok
        ? "With “Keep both”, yours goes on the shelf under a name of its own and the other tab’s comes here."
        : `Its version cannot be read here (${read.problems[0].path} ${read.problems[0].message}); reload this page to get the newer program.`}
    </Dialog>
  );
}

function RemovedDialog() {
  const design = useDesign();
  return (
    <Dialog
      urgent
      open
      onClose={() => {}}
      title="Taken off the shelf in another tab"
      actions={
        <>
          <PlainButton onClick={keepTheirs}>Let it go</PlainButton>
          <StepButton onClick={() => void keepMine()}>Keep it on the shelf</StepButton>
        </>
      }
    >
      {design.name} was deleted in another tab while it lay on this bench. It is only here now: with “Let it go” it is
      gone from this bench too.
    </Dialog>
  );
}
