"use client";

import { Box } from "@chakra-ui/react";
import { Copy, PencilLine, Trash2 } from "lucide-react";
import { later } from "@/ui/pieces/later";
import { PageLink } from "@/ui/pieces/PageLink";
import { useState } from "react";
import type { StoredDesign } from "@/store/database";
import { readDesign } from "@/core/document/readDesign";
import { addCopy, removeFromShelf, renameOnShelf } from "@/store/shelf";
import { DeviceThumbnail } from "@/ui/drawing/DeviceThumbnail";
import { IconButton } from "@/ui/pieces/buttons";
import { notify } from "@/ui/pieces/notices";

const day = (iso: string) => new Date(iso).toLocaleString(undefined, { dateStyle: "medium", timeStyle: "short" });

const counted = (n: number) => (n === 1 ? "1 control" : `${n} controls`);

const RenameDialog = later(() => import("./RenameDialog").then((m) => m.RenameDialog));

/** One design on the shelf. */
export function DesignCard({ stored }: { stored: StoredDesign }) {
  const { design, savedAt } = stored;
  const [renaming, setRenaming] = useState(false);
  const read = readDesign(design);
  const remove = async () => {
    const putBack = await removeFromShelf(stored.id);
    if (!putBack) return;
    const back = async () => {
      const there = await putBack();
      if (there?.beside)
        notify(`Another tab has saved ${design.name} since; what you took off lies beside it as “${there.name}”.`);
    };
    notify(`${design.name} is off the shelf.`, { label: "Put it back", onClick: () => void back() });
  };
  return (
    <Box as="article" aria-label={design.name} bg="var(--sheet)" border="1px solid var(--edge)" borderRadius="3px">
      <PageLink
        href={`/bench/${stored.id}/layout`}
        aria-label={`Open ${design.name}`}
        style={{ display: "block", height: 150, background: "var(--mat)", padding: 6 }}
      >
        {read.ok ? <DeviceThumbnail design={read.value} /> : null}
      </PageLink>
      <Box padding="10px 12px 8px">
        <Box fontWeight="700" fontSize="15px">
          {design.name}
        </Box>
        <Box fontSize="13px" color="var(--faint)" minHeight="36px" lineClamp={2}>
          {design.note ||
            `Nothing noted. ${read.ok ? counted(design.controls.length) : "This design needs a newer program."}`}
        </Box>
        <Box display="flex" alignItems="center" marginTop="6px">
          <Box flex="1" fontSize="12px" color="var(--faint)" fontFamily="mono" suppressHydrationWarning>
            {day(savedAt)}
          </Box>
          <IconButton aria-label={`Rename ${design.name}`} onClick={() => setRenaming(true)}>
            <PencilLine size={15} />
          </IconButton>
          <IconButton aria-label={`Duplicate ${design.name}`} onClick={() => void addCopy(design)}>
            <Copy size={15} />
          </IconButton>
          <IconButton aria-label={`Delete ${design.name}`} onClick={() => void remove()}>
            <Trash2 size={15} />
          </IconButton>
        </Box>
      </Box>
      {renaming && (
        <RenameDialog
          name={design.name}
          onClose={() => setRenaming(false)}
          onName={(name) => void renameOnShelf(stored.id, name)}
        />
      )}
    </Box>
  );
}
