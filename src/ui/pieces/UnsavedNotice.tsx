"use client";

import { PageLink } from "./PageLink";
import { saveNow, useBench } from "@/store/bench";
import { Notice } from "./Notice";
import { PlainButton } from "./buttons";

/** Designs whose edits could not be saved and that are not in sight: they lie in this tab only until they are. */
export function UnsavedNotice({ except }: { except?: string }) {
  const unsaved = useBench((state) => state.unsaved);
  return unsaved.flatMap(({ id, name, saving }) => {
    if (id === except || (saving.state !== "failed" && saving.state !== "conflict")) return [];
    const why =
      saving.state === "failed"
        ? `${name} has changes that are not saved. ${saving.trouble.message}`
        : `${name} has changes here that are not saved, because another tab changed it too.`;
    return [
      <Notice key={id} words={why}>
        {saving.state === "failed" && <PlainButton onClick={() => void saveNow()}>Try again</PlainButton>}
        <PageLink href={`/bench/${id}/layout`} style={{ textDecoration: "underline" }}>
          Open {name}
        </PageLink>
      </Notice>,
    ];
  });
}
