"use client";

import { Box } from "@chakra-ui/react";
import { useEffect, useState } from "react";
import type { Design } from "@/core/document/schema";
import { dayAt } from "@/core/engine/hostDay";
import { type HeardNotes, readMessage, readPanelNote } from "@/core/hid/panelNotes";
import { type TellingWay, noPanel, tellingWays } from "@/core/hid/panelSettings";
import { readPanelLine } from "@/core/hid/panelLine";
import { playToDevice, sayLines, useSession } from "@/store/session";
import { PlainButton } from "@/ui/pieces/buttons";
import { Checkbox, ChoiceField, TextField } from "@/ui/pieces/fields";
import { Row, Section } from "@/ui/pieces/sheets";
import { tellAll, toldWith } from "./telling";

const SHOWN = 4;
const STEP_MS = 250;
const HIGHEST = 255;

const WAYS: Record<TellingWay, string> = {
  report: "by its report",
  lines: "by lines over a serial port",
  notes: "by notes that it plays",
};

/** A small program on the computer: what it tells is set by hand, or a day goes by by itself. */
export function TellSection({ design }: { design: Design }) {
  const { flags, values, notes } = design.reportSet.panel ?? noPanel;
  const told = useSession((state) => state.told);
  const [runs, setRuns] = useState(false);
  const [wished, setWay] = useState<TellingWay | null>(null);
  const ways = tellingWays(design);
  const way = wished && ways.includes(wished) ? wished : ways[0];
  useEffect(() => {
    if (!runs) return;
    const began = performance.now();
    const tellDay = () => tellAll(dayAt(flags.length, values.length, performance.now() - began), way, notes);
    const timer = setInterval(tellDay, STEP_MS);
    return () => clearInterval(timer);
  }, [runs, flags.length, values.length, way, notes]);
  const flag = (nth: number, on: boolean) =>
    tellAll({ ...told, flags: flags.map((_, at) => (at === nth ? on : (told.flags[at] ?? false))) }, way, notes);
  const value = (nth: number, to: number) =>
    tellAll({ ...told, values: values.map((_, at) => (at === nth ? to : (told.values[at] ?? 0))) }, way, notes);
  return (
    <Section title="What the computer tells">
      {flags.length + values.length === 0 && (
        <Box color="var(--faint)">Nothing has a name yet: name flags and values in Reports.</Box>
      )}
      {ways.length > 1 && (
        <ChoiceField
          label="It tells"
          value={way}
          choices={ways.map((one) => ({ value: one, label: WAYS[one] }))}
          onCommit={(one) => setWay(one as TellingWay)}
        />
      )}
      <Row>
        <PlainButton aria-pressed={runs} disabled={flags.length + values.length === 0} onClick={() => setRuns(!runs)}>
          {runs ? "Stop the day" : "Let a day go by"}
        </PlainButton>
        <PlainButton onClick={() => tellAll({ flags: [], values: [] }, way, notes)}>Tell nothing</PlainButton>
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
      {way === "lines" && <LineField />}
      {way === "notes" && notes && <MessageField heard={notes} />}
    </Section>
  );
}

/** What was sent, the newest first. */
const Sent = ({ label, all }: { label: string; all: string[] }) => (
  <Box as="ul" listStyleType="none" fontFamily="mono" fontSize="13px" aria-label={`${label} sent, the newest first`}>
    {all.map((one, nth) => (
      <li key={nth}>{one}</li>
    ))}
  </Box>
);

const withNew = (before: string[], text: string, isNothing: boolean) =>
  [`${text}${isNothing ? "   (nothing changes)" : ""}`, ...before].slice(0, SHOWN);

/** A line as a program on the computer would write it to the serial port; what is none is sent too, and changes nothing. */
function LineField() {
  const [said, setSaid] = useState<string[]>([]);
  const say = (text: string) => {
    if (text === "") return;
    const line = readPanelLine(text);
    const { told } = useSession.getState();
    sayLines([text], line ? toldWith(told, line) : told);
    setSaid(withNew(said, text, line === null));
  };
  return (
    <Box display="flex" flexDirection="column" gap="4px">
      <TextField label="A line over the serial port" mono value="" check={() => null} onCommit={say} />
      <Box fontSize="13px" color="var(--faint)">
        Like: value 1 200, or flag 2 1. Enter sends it.
      </Box>
      <Sent label="Lines" all={said} />
    </Box>
  );
}

const noMessage = (text: string) =>
  text === "" || readMessage(text)
    ? null
    : `"${text}" is no message of a channel: two or three bytes in hexadecimal, like 90 3C 7F.`;

/** A message as a program would play it to the device. */
function MessageField({ heard }: { heard: HeardNotes }) {
  const [played, setPlayed] = useState<string[]>([]);
  const play = (text: string) => {
    const message = readMessage(text);
    if (!message) return;
    const shown = readPanelNote(message, heard);
    playToDevice([message], shown.reduce(toldWith, useSession.getState().told));
    setPlayed(withNew(played, inHex(message), shown.length === 0));
  };
  const [on, control] = [0x90, 0xb0].map((status) => status + heard.channel);
  return (
    <Box display="flex" flexDirection="column" gap="4px">
      <TextField label="A message that it plays" mono value="" check={noMessage} onCommit={play} />
      <Box fontSize="13px" color="var(--faint)">
        In hexadecimal, like: {inHex([on, heard.note, 127])} for flag 1, {inHex([control, heard.controller, 64])} for
        value 1. Enter plays it.
      </Box>
      <Sent label="Messages" all={played} />
    </Box>
  );
}

const inHex = (message: number[]) => message.map((byte) => byte.toString(16).toUpperCase().padStart(2, "0")).join(" ");
