"use client";

import { Box } from "@chakra-ui/react";
import { X } from "lucide-react";
import { useRef, useState } from "react";
import { useDesign } from "@/store/bench";
import { usePhotoUrl } from "@/store/photos";
import { IconButton, PlainButton } from "@/ui/pieces/buttons";
import { Dialog } from "@/ui/pieces/Dialog";

interface PhotosProps {
  ids: string[];
  onRemove?: (id: string) => void;
}

/** Photos of an entry, small; a click shows one large. */
export function Photos({ ids, onRemove }: PhotosProps) {
  const [large, setLarge] = useState<string | null>(null);
  if (ids.length === 0) return null;
  return (
    <Box display="grid" gridTemplateColumns="repeat(3, 1fr)" gap="6px">
      {ids.map((id, nth) => (
        <Box key={id} position="relative">
          <button
            aria-label={`Show photo ${nth + 1} large`}
            onClick={() => setLarge(id)}
            style={{ display: "block", width: "100%" }}
          >
            <PhotoImage id={id} height="72px" words={`Photo ${nth + 1}`} />
          </button>
          {onRemove && (
            <IconButton
              aria-label={`Take photo ${nth + 1} off`}
              position="absolute"
              top="2px"
              right="2px"
              height="24px"
              minWidth="24px"
              width="24px"
              bg="var(--sheet)"
              onClick={() => onRemove(id)}
            >
              <X size={14} />
            </IconButton>
          )}
        </Box>
      ))}
      {large && (
        <Dialog title={`Photo ${ids.indexOf(large) + 1}`} open wide onClose={() => setLarge(null)}>
          <PhotoImage id={large} height="70vh" words="Photo" />
        </Dialog>
      )}
    </Box>
  );
}

function PhotoImage({ id, height, words }: { id: string; height: string; words: string }) {
  const { id: designId } = useDesign();
  const url = usePhotoUrl(designId, id);
  if (url === "")
    return (
      <Box height={height} fontSize="12px" color="var(--faint)" border="1px dashed var(--edge)" padding="4px">
        Not in this browser. Open the archive it was exported in.
      </Box>
    );
  return (
    <Box height={height} bg="var(--paper)">
      {url && <img src={url} alt={words} style={{ width: "100%", height: "100%", objectFit: "contain" }} />}
    </Box>
  );
}

/** Opens photos of the person's own. */
export function PhotoButton({ onFiles }: { onFiles: (files: File[]) => void }) {
  const picker = useRef<HTMLInputElement>(null);
  return (
    <>
      <PlainButton onClick={() => picker.current?.click()}>Add photos</PlainButton>
      <input
        ref={picker}
        type="file"
        accept="image/*"
        multiple
        hidden
        aria-label="Photos"
        onChange={(event) => {
          const files = [...(event.target.files ?? [])];
          event.target.value = "";
          if (files.length > 0) onFiles(files);
        }}
      />
    </>
  );
}
