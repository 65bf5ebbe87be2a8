"use client";

import { saveNow, understoodRefusal, useBench, useDesign } from "@/store/bench";
import { Notice } from "@/ui/pieces/Notice";
import { UnsavedNotice } from "@/ui/pieces/UnsavedNotice";
import { PlainButton } from "@/ui/pieces/buttons";
import { notify } from "@/ui/pieces/notices";
import { exportDesign } from "@/ui/files/exportDesign";

/** Told at the top of the bench: an edit that was not made, and that the browser does not keep the design. */
export function StoreNotice() {
  const saving = useBench((state) => state.saving);
  const refusal = useBench((state) => state.refusal);
  const design = useDesign();
  return (
    <>
      {refusal && (
        <Notice words={refusal}>
          <PlainButton onClick={understoodRefusal}>Understood</PlainButton>
        </Notice>
      )}
      {saving.state === "failed" && (
        <Notice words={saving.trouble.message}>
          <PlainButton onClick={() => void exportDesign(design, "design").then(notify)}>Export now</PlainButton>
          <PlainButton onClick={() => void saveNow()}>Try again</PlainButton>
        </Notice>
      )}
      <UnsavedNotice except={design.id} />
    </>
  );
}
