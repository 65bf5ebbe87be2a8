"use client";

import { Box } from "@chakra-ui/react";
import { X } from "lucide-react";
import { useRef, useState } from "react";
import { IconButton, PlainButton } from "@/ui/pieces/buttons";
import { later } from "@/ui/pieces/later";
import { PhotoImage } from "./PhotoImage";

const LargePhoto = later(() => import("./LargePhoto").then((m) => m.LargePhoto));

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
      {large && <LargePhoto id={large} title={`Photo ${ids.indexOf(large) + 1}`} onClose={() => setLarge(null)} />}
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
