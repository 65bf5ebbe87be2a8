"use client";

import { Box } from "@chakra-ui/react";
import { useEffect, useState } from "react";
import type { Design } from "@/core/document/schema";
import { dayAt } from "@/core/engine/hostDay";
import { noPanel, takesLines } from "@/core/hid/panelSettings";
import { readPanelLine } from "@/core/hid/panelLine";
import { sayLine, tellPanel, useSession } from "@/store/session";
import { PlainButton } from "@/ui/pieces/buttons";
import { Checkbox, TextField } from "@/ui/pieces/fields";
import { Row, Section } from "@/ui/pieces/sheets";

const SHOWN = 4;
const STEP_MS = 250;
const HIGHEST = 255;

/** A small program on the computer: what it tells is set by hand, or a day goes by by itself. */
export function TellSection({ design }: { design: Design }) {
  const { flags, values } = design.reportSet.panel ?? noPanel;
  const told = useSession((state) => state.told);
  const [runs, setRuns] = useState(false);
  useEffect(() => {
    if (!runs) return;
    const began = performance.now();
    const timer = setInterval(() => tellPanel(dayAt(flags.length, values.length, performance.now() - began)), STEP_MS);
    return () => clearInterval(timer);
  }, [runs, flags.length, values.length]);
  const flag = (nth: number, on: boolean) =>
    tellPanel({ ...told, flags: flags.map((_, at) => (at === nth ? on : (told.flags[at] ?? false))) });
  const value = (nth: number, to: number) =>
    tellPanel({ ...told, values: values.map((_, at) => (at === nth ? to : (told.values[at] ?? 0))) });
  return (
    <Section title="What the computer tells">
      {flags.length + values.length === 0 && (
        <Box color="var(--faint)">Nothing has a name yet: name flags and values in Reports.</Box>
      )}
      <Row>
        <PlainButton aria-pressed={runs} disabled={flags.length + values.length === 0} onClick={() => setRuns(!runs)}>
          {runs ? "Stop the day" : "Let a day go by"}
        </PlainButton>
        <PlainButton onClick={() => tellPanel({ flags: [], values: [] })}>Tell nothing</PlainButton>
      </Row>
      <Box display="grid" gridTemplateColumns="1fr 1fr" columnGap="8px">
        {flags.map((name, nth) => (
          <Checkbox key={nth} label={name} checked={told.flags[nth] ?? false} onChange={(on) => flag(nth, on)} />
        ))}
      </Box>
      {values.map((name, nth) => (
        <label
          key={nth}
          style={{ display: "grid", gridTemplateColumns: "84px 1fr 40px", gap: 8, alignItems: "center" }}
        >
          <span>{name}</span>
          <input
            type="range"
            min={0}
            max={HIGHEST}
            value={told.values[nth] ?? 0}
            aria-label={`Tell ${name}`}
            onChange={(event) => value(nth, Number(event.target.value))}
            style={{ width: "100%", accentColor: "var(--saffron)" }}
          />
          <Box as="span" fontFamily="mono" textAlign="right">
            {told.values[nth] ?? 0}
          </Box>
        </label>
      ))}
      {takesLines(design) && <LineField />}
    </Section>
  );
}

/** A line as a program on the computer would write it to the serial port; what is none is sent too, and changes nothing. */
function LineField() {
  const [said, setSaid] = useState<string[]>([]);
  const say = (text: string) => {
    if (text === "") return;
    sayLine(text);
    setSaid([`${text}${readPanelLine(text) ? "" : "   (no line: nothing changes)"}`, ...said].slice(0, SHOWN));
  };
  return (
    <Box display="flex" flexDirection="column" gap="4px">
      <TextField label="A line over the serial port" mono value="" check={() => null} onCommit={say} />
      <Box fontSize="13px" color="var(--faint)">
        Like: value 1 200, or flag 2 1. Enter sends it.
      </Box>
      <Box as="ul" listStyleType="none" fontFamily="mono" fontSize="13px" aria-label="Lines sent, the newest first">
        {said.map((line, nth) => (
          <li key={nth}>{line}</li>
        ))}
      </Box>
    </Box>
  );
}
