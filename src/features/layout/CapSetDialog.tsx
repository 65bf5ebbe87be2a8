"use client";

import { Box, Textarea } from "@chakra-ui/react";
import { useState } from "react";
import { readCapTable } from "@/core/formats/capTable";
import { counted } from "@/core/words";
import { edit } from "@/store/bench";
import { newId } from "@/store/newId";
import { PlainButton, StepButton } from "@/ui/pieces/buttons";
import { TextField } from "@/ui/pieces/fields";
import { Dialog } from "@/ui/pieces/Dialog";
import { ProblemList, TextFile, replaceByLongPaste } from "@/ui/files/readIn";

const EXAMPLE = "width,height,row,count,label\n1,1,3,10,\n2.25,1,3,1,Enter\n6.25,1,1,1,Space";

/** A cap set as a table: typed, pasted from a spreadsheet or from a file. */
export function CapSetDialog({ onClose }: { onClose: (setId?: string) => void }) {
  const [text, setText] = useState("");
  const [name, setName] = useState("My caps");
  const read = readCapTable(text);
  const caps = read.caps.reduce((sum, { count }) => sum + count, 0);
  const take = () => {
    const id = newId();
    const sculpted = new Set(read.caps.map(({ profile }) => profile).filter(Boolean)).size > 1;
    edit("read in a cap set", (d) => ({
      ...d,
      capSets: [...d.capSets, { id, name, sculpted, caps: read.caps.slice(0, 400) }],
    }));
    onClose(id);
  };
  return (
    <Dialog
      open
      title="A cap set"
      onClose={() => onClose()}
      actions={
        <>
          <PlainButton onClick={() => onClose()}>Leave it</PlainButton>
          <StepButton disabled={caps === 0} onClick={take}>
            {caps === 0 ? "Nothing to take yet" : `Take ${counted(caps, "cap")}`}
          </StepButton>
        </>
      }
    >
      <p>
        One line a size: width and height in units, row profile, count, label. The first line may name the columns, in
        any order; commas, semicolons or tabs between cells.
      </p>
      <TextField
        label="Name of the set"
        value={name}
        check={(words) => (words.trim() === "" || words.length > 80 ? "1 to 80 characters." : null)}
        onCommit={setName}
      />
      <Box marginBlock="8px">
        <Textarea
          aria-label="Table of caps"
          rows={8}
          fontFamily="mono"
          fontSize="13px"
          placeholder={EXAMPLE}
          value={text}
          onChange={(event) => setText(event.target.value)}
          onPaste={(event) => replaceByLongPaste(event, setText)}
        />
      </Box>
      <TextFile accept=".csv,.txt,.tsv" onText={setText} />
      {text.trim() !== "" && <ProblemList problems={read.problems} />}
    </Dialog>
  );
}
