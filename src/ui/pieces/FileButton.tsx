"use client";

import { useRef } from "react";
import { PlainButton } from "./buttons";

interface FileButtonProps {
  /** What the button says. */
  title: string;
  /** What the file is, for those who hear the page. */
  label: string;
  accept: string;
  onFile: (file: File) => void;
}

/** Opens a file of the person's own. */
export function FileButton({ title, label, accept, onFile }: FileButtonProps) {
  const picker = useRef<HTMLInputElement>(null);
  return (
    <>
      <PlainButton onClick={() => picker.current?.click()}>{title}</PlainButton>
      <input
        ref={picker}
        type="file"
        accept={accept}
        hidden
        aria-label={label}
        onChange={(event) => {
          const file = event.target.files?.[0];
          event.target.value = "";
          if (file) onFile(file);
        }}
      />
    </>
  );
}
