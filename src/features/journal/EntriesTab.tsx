"use client";

import { Box } from "@chakra-ui/react";
import { useState } from "react";
import { type JournalEntry, MOST_ENTRIES } from "@/core/document/journalSettings";
import { removeEntry, settleRegret, writeEntry } from "@/core/edits/journal";
import { timelineOf } from "@/core/journal/timeline";
import { edit, useDesign } from "@/store/bench";
import { useHand } from "@/store/hand";
import { pickEntry, useJournal } from "@/store/journalInHand";
import { newId } from "@/store/newId";
import { PlainButton, StepButton } from "@/ui/pieces/buttons";
import { Row, Section } from "@/ui/pieces/sheets";
import { type Draft, draftOf, draftProblem, emptyDraft, entryOf } from "./draft";
import { EntryFields } from "./EntryFields";
import { Photos } from "./Photos";
import { stageWords } from "./stageWords";

/** Writing an entry, and the one in hand. */
export function EntriesTab() {
  const design = useDesign();
  const entryId = useJournal((state) => state.entryId);
  const line = timelineOf(design).find(({ id }) => id === entryId);
  if (line?.entry) return <EntrySection key={line.id} entry={line.entry} />;
  if (line)
    return (
      <Section title={`${line.kindWords}, ${day(line.at)}`}>
        <div>{line.text}</div>
        <Box color="var(--faint)">Bring-up noted it when the repair was made.</Box>
        <Row>
          <PlainButton onClick={() => pickEntry(null)}>Write another</PlainButton>
        </Row>
      </Section>
    );
  return <WriteSection />;
}

const day = (at: string) => new Date(at).toLocaleString(undefined, { dateStyle: "medium", timeStyle: "short" });

function WriteSection() {
  const { journal } = useDesign();
  const selection = useHand((state) => state.selection);
  const [draft, setDraft] = useState<Draft>(() => emptyDraft("note", new Date(), selection));
  const [problem, setProblem] = useState<string | null>(null);
  const isFull = journal.length >= MOST_ENTRIES;
  const note = () => {
    const wrong = isFull
      ? `The journal has ${MOST_ENTRIES} entries, which is the most. Export it and strike some.`
      : draftProblem(draft);
    setProblem(wrong);
    if (wrong) return;
    const id = newId();
    edit("note in the journal", (design) => writeEntry(design, entryOf(draft, id)));
    setDraft(emptyDraft(draft.kind, new Date()));
  };
  return (
    <Section title="Write down">
      <EntryFields
        draft={draft}
        onChange={(next) => {
          setDraft(next);
          setProblem(null);
        }}
      />
      {problem && (
        <Box role="alert" color="var(--stop)" fontWeight="500">
          {problem}
        </Box>
      )}
      <Row>
        <StepButton onClick={note}>Note it</StepButton>
      </Row>
      <Box fontSize="13px" color="var(--faint)">
        Entries are part of the design. Photos lie in this browser: “Design with its record” in Export takes them along.
      </Box>
    </Section>
  );
}

function EntrySection({ entry }: { entry: JournalEntry }) {
  const [draft, setDraft] = useState<Draft | null>(null);
  const { kind, text, stage, photos = [] } = entry;
  const design = useDesign();
  const line = timelineOf(design).find(({ id }) => id === entry.id)!;
  const problem = draft && draftProblem(draft);
  const remove = () => {
    edit("strike an entry", (d) => removeEntry(d, entry.id));
    pickEntry(null);
  };
  if (draft)
    return (
      <Section title="Change the entry">
        <EntryFields draft={draft} onChange={setDraft} />
        {problem && (
          <Box role="alert" color="var(--stop)" fontWeight="500">
            {problem}
          </Box>
        )}
        <Row>
          <StepButton
            disabled={problem !== null}
            onClick={() => {
              edit("change an entry", (d) => writeEntry(d, entryOf(draft, entry.id, entry)));
              setDraft(null);
            }}
          >
            Keep it so
          </StepButton>
          <PlainButton onClick={() => setDraft(null)}>Leave it</PlainButton>
        </Row>
      </Section>
    );
  return (
    <Section title={`${line.kindWords}, ${day(entry.at)}`}>
      {line.value && (
        <Box fontFamily="mono" fontSize="16px" fontWeight="700">
          {line.value}
        </Box>
      )}
      <Box whiteSpace="pre-wrap" overflowWrap="anywhere">
        {line.text || (text === "" ? "Without words." : text)}
      </Box>
      {stage && (
        <Box color="var(--faint)">{kind === "regret" ? `To be mended in ${stageWords[stage]}` : stageWords[stage]}</Box>
      )}
      {line.parts && <Box color="var(--faint)">Tied to {line.parts}</Box>}
      {kind === "regret" && <RegretState entry={entry} />}
      <Photos ids={photos} />
      <Row>
        <StepButton onClick={() => pickEntry(null)}>Write another</StepButton>
        <PlainButton onClick={() => setDraft(draftOf(entry))}>Change</PlainButton>
        <PlainButton onClick={remove}>Strike it</PlainButton>
      </Row>
    </Section>
  );
}

function RegretState({ entry: { id, isDone, taskOf } }: { entry: JournalEntry }) {
  return (
    <>
      <Box color={isDone ? "var(--settled)" : "var(--warn)"}>
        {isDone ? "Mended." : taskOf ? "A task of the revision in hand." : "For the next revision."}
      </Box>
      <Row>
        <PlainButton
          onClick={() => edit(isDone ? "not mended yet" : "it is mended", (d) => settleRegret(d, id, !isDone))}
        >
          {isDone ? "Not mended yet" : "It is mended"}
        </PlainButton>
      </Row>
    </>
  );
}
