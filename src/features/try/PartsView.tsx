"use client";

import { Box } from "@chakra-ui/react";
import { halfName } from "@/core/derived/halfName";
import { linkTimes } from "@/core/firmware/linkTimes";
import type { Design } from "@/core/document/schema";
import { setLine, useSession } from "@/store/session";
import { Checkbox, ChoiceField } from "@/ui/pieces/fields";
import { Section, Values } from "@/ui/pieces/sheets";
import { pressToReport } from "./pressToReport";

/** Of so many bytes one is damaged, when it is wished. */
const DAMAGED_OF = 10;

const ms = (value: number | null) => (value === null ? "none yet" : `${value} ms`);

/** Two parts that tell each other: the line between them, what it adds, and where the computer's plug is. */
export function PartsView({ design }: { design: Design }) {
  const line = useSession((state) => state.line);
  const contacts = useSession((state) => state.contacts);
  const reports = useSession((state) => state.reports);
  const { trouble, plugged, isHeard, missed } = line;
  const [near, far] = design.controllers.slice(0, 2).map(({ id }) => halfName(design, id));
  const { least, most } = linkTimes(design);
  const measured = pressToReport(design, contacts, reports);
  return (
    <Section title="The line between its parts">
      <Box role="status" color={isHeard ? undefined : "var(--stop)"}>
        {isHeard ? `${near} and ${far} hear each other.` : `${near} and ${far} do not hear each other.`}
      </Box>
      <ChoiceField
        label="The computer’s plug is in"
        value={String(plugged)}
        choices={[
          { value: "0", label: near },
          { value: "1", label: far },
          { value: "null", label: "neither" },
        ]}
        onCommit={(value) => setLine({ ...line, plugged: value === "null" ? null : Number(value) })}
      />
      <Checkbox
        label="The line is cut"
        checked={trouble.isCut}
        onChange={(isCut) => setLine({ ...line, trouble: { ...trouble, isCut } })}
      />
      <Checkbox
        label={`One byte in ${DAMAGED_OF} on it is damaged`}
        checked={trouble.oneDamagedOf > 0}
        onChange={(on) => setLine({ ...line, trouble: { ...trouble, oneDamagedOf: on ? DAMAGED_OF : 0 } })}
      />
      <Values
        rows={[
          ["The line adds, by its bits", `${least.toFixed(2)} to ${most.toFixed(2)} ms`],
          [`Press to report, ${near}`, ms(measured[0])],
          [`Press to report, ${far}`, ms(measured[1])],
          ["Frames that did not arrive", missed],
        ]}
      />
    </Section>
  );
}
