"use client";

import { Box } from "@chakra-ui/react";
import { useState } from "react";
import { paceCsv, readPaceCsv } from "@/core/assembly/paceCsv";
import { indexOfSort, paceOf } from "@/core/assembly/pace";
import { stepSorts } from "@/core/assembly/stepSorts";
import { counted } from "@/core/words";
import { forgetPace, logSteps, usePaceLog } from "@/store/paceLog";
import { download } from "@/ui/files/download";
import { FileButton } from "@/ui/pieces/FileButton";
import { PlainButton } from "@/ui/pieces/buttons";
import { Row, Section } from "@/ui/pieces/sheets";
import { SmallTable } from "@/ui/pieces/SmallTable";

/** What was learnt from the steps that this person timed. */
export function PaceSection() {
  const entries = usePaceLog((state) => state.entries) ?? [];
  const [said, setSaid] = useState("");
  const pace = paceOf(entries);
  const known = stepSorts.filter(({ id }) => entries.some(({ sort }) => sort === id));
  const take = async (file: File) => {
    const { lines, problems } = readPaceCsv(await file.text());
    if (lines.length > 0) await logSteps(lines);
    const wrong = problems.slice(0, 3).map(({ line, message }) => `line ${line} ${message}`);
    setSaid([`${counted(lines.length, "step")} taken from ${file.name}`, ...wrong].join("; ") + ".");
  };
  return (
    <Section title="Your own pace" aside={<span>{counted(entries.length, "timed step")}</span>}>
      {known.length === 0 ? (
        <div>Walk the steps with the clock: what they take you changes what is expected of the others.</div>
      ) : (
        <SmallTable
          label="Your pace against the usual times"
          heads={["", "steps", "your times"]}
          rows={known.map(({ id, title }) => [
            title,
            entries.filter(({ sort }) => sort === id).length,
            `${Math.round(100 * Math.exp(pace.mean[indexOfSort(id)]))} %`,
          ])}
        />
      )}
      <Row>
        {entries.length > 0 && (
          <PlainButton onClick={() => download("pace.csv", "text/csv", new TextEncoder().encode(paceCsv(entries)))}>
            Save as CSV
          </PlainButton>
        )}
        <FileButton
          title="Read in"
          label="Log of timed steps"
          accept=".csv,text/csv"
          onFile={(file) => void take(file)}
        />
        {entries.length > 0 && <PlainButton onClick={() => void forgetPace()}>Forget all</PlainButton>}
      </Row>
      {said && <Box role="status">{said}</Box>}
    </Section>
  );
}
