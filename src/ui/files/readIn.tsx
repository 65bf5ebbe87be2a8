"use client";

import { Box } from "@chakra-ui/react";
import { type ClipboardEvent, useRef } from "react";
import type { LineProblem } from "@/core/formats/table";
import { PlainButton } from "@/ui/pieces/buttons";

const MOST_BYTES = 4 * 1024 * 1024;

/** Hands over the text of a file. */
export function TextFile({ accept, onText }: { accept: string; onText: (text: string, fileName: string) => void }) {
  const picker = useRef<HTMLInputElement>(null);
  const take = async (file: File | undefined) => {
    if (!file) return;
    if (file.size > MOST_BYTES) return onText("", `${file.name} is larger than 4 MB`);
    onText(await file.text(), file.name);
  };
  return (
    <>
      <PlainButton onClick={() => picker.current?.click()}>From a file</PlainButton>
      <input
        ref={picker}
        type="file"
        accept={accept}
        hidden
        aria-label="File to read in"
        onChange={(event) => {
          void take(event.target.files?.[0]);
          event.target.value = "";
        }}
      />
    </>
  );
}

const LONG_PASTE = 5000;

/** Browsers insert thousands of pasted lines one by one, which takes minutes; a long paste replaces the text at once. */
export function replaceByLongPaste(event: ClipboardEvent, setText: (text: string) => void): void {
  const pasted = event.clipboardData.getData("text");
  if (pasted.length < LONG_PASTE) return;
  event.preventDefault();
  setText(pasted);
}

/** What was left out and why, line by line. */
export function ProblemList({ problems }: { problems: LineProblem[] }) {
  if (problems.length === 0) return null;
  return (
    <Box marginTop="10px" role="status">
      <Box fontWeight="600" color="var(--warn)">
        Left out
      </Box>
      <ul style={{ paddingLeft: 18, maxHeight: 160, overflowY: "auto" }} aria-label="Problems">
        {problems.slice(0, 50).map(({ line, message }, nth) => (
          <li key={nth}>
            {line > 0 && `Line ${line}: `}
            {message}
          </li>
        ))}
      </ul>
      {problems.length > 50 && <div>and {problems.length - 50} more</div>}
    </Box>
  );
}
