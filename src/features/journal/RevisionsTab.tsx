"use client";

import { Box } from "@chakra-ui/react";
import { useRouter } from "next/navigation";
import { useState } from "react";
import type { JournalEntry } from "@/core/document/journalSettings";
import { nextRevisionName, revisionsOf, tasksOf } from "@/core/journal/revisions";
import { useDesign } from "@/store/bench";
import { frozenDesign, useCompared } from "@/store/comparison";
import { freezeRevision, takeRevisionBack } from "@/store/freezing";
import { NOW, compareFrom, compareTo, pickEntry, openJournalTab } from "@/store/journalInHand";
import { addCopy } from "@/store/shelf";
import { PlainButton } from "@/ui/pieces/buttons";
import { ChoiceField, TextField } from "@/ui/pieces/fields";
import { notify } from "@/ui/pieces/notices";
import { Columns, Row, Section, Values } from "@/ui/pieces/sheets";
import { NextSection } from "./NextSection";
import { orTell } from "./orTell";
import { stageWords } from "./stageWords";

const nameOf = ({ text, at }: JournalEntry) => `${text || "without a name"}, ${at.slice(0, 10)}`;

/** What was frozen, what changed since, and what the next one starts from. */
export function RevisionsTab() {
  const design = useDesign();
  const revisions = revisionsOf(design);
  return (
    <>
      <FreezeSection key={revisions.length} />
      {revisions.length > 0 && <CompareSection revisions={revisions} />}
      <NextSection key={`next ${revisions.length}`} />
      <TasksSection />
    </>
  );
}

function FreezeSection() {
  const design = useDesign();
  const [name, setName] = useState(nextRevisionName(design));
  return (
    <Section title="Freeze">
      <div>Keeps the design as it is now beside itself: to compare with, to open, to come back to.</div>
      <TextField
        label="Called"
        value={name}
        onCommit={setName}
        check={(text) =>
          text.trim() === "" || text.length > 80 ? "A revision needs a name of at most 80 characters." : null
        }
      />
      <Row>
        <PlainButton onClick={() => orTell(freezeRevision(name.trim()))}>Freeze as it is</PlainButton>
      </Row>
    </Section>
  );
}

function CompareSection({ revisions }: { revisions: JournalEntry[] }) {
  const design = useDesign();
  const router = useRouter();
  const { from, to, compared } = useCompared(design);
  const choices = revisions.map((entry) => ({ value: entry.id, label: nameOf(entry) }));
  const open = async () => {
    const frozen = from && (await frozenDesign(design.id, from));
    if (!frozen) return notify("That revision does not lie in this browser.");
    const entry = revisions.find(({ id }) => id === from)!;
    const copy = await addCopy({ ...frozen, name: `${design.name}, ${entry.text || "frozen"}`.slice(0, 80) });
    if (copy) router.push(`/bench/${copy}/layout`);
  };
  return (
    <Section title="Compare">
      <Columns>
        <ChoiceField label="From" value={from ?? ""} choices={choices} onCommit={compareFrom} />
        <ChoiceField
          label="To"
          value={to}
          choices={[{ value: NOW, label: "as it is now" }, ...choices]}
          onCommit={compareTo}
        />
      </Columns>
      <Told compared={compared} />
      <Row>
        <PlainButton onClick={() => void open()}>Open it as a design of its own</PlainButton>
        <PlainButton disabled={!compared?.before} onClick={() => compared?.before && takeRevisionBack(compared.before)}>
          Go back to it
        </PlainButton>
      </Row>
      <Box fontSize="13px" color="var(--faint)">
        Going back is one step to undo. The journal, and what was built and tested, stay as they are.
      </Box>
    </Section>
  );
}

function Told({ compared }: { compared: ReturnType<typeof useCompared>["compared"] }) {
  if (!compared) return <div role="status">Comparing …</div>;
  if (!compared.before || !compared.after)
    return (
      <div role="status">
        The frozen design does not lie in this browser: it came with another, or was never taken along. Open the archive
        that has it.
      </div>
    );
  const { differences, findings, cost } = compared.told!;
  const change = cost.after - cost.before;
  return (
    <>
      <Box role="status" aria-label="Differences" fontWeight="700">
        {differences.length === 0
          ? "Nothing is different."
          : `${differences.length} ${differences.length === 1 ? "difference" : "differences"}, listed beneath the mat`}
      </Box>
      <Values
        rows={[
          ["findings gone", findings.gone.length],
          ["findings new", findings.fresh.length],
          ["parts, usual prices", `${cost.before.toFixed(2)} → ${cost.after.toFixed(2)}`],
          ["that is", `${change >= 0 ? "+" : "−"}${Math.abs(change).toFixed(2)}`],
        ]}
      />
    </>
  );
}

/** What was taken over from the last one, with where it is done. */
function TasksSection() {
  const design = useDesign();
  const router = useRouter();
  const tasks = tasksOf(design);
  if (tasks.length === 0) return null;
  return (
    <Section title="Tasks of this revision">
      <ul style={{ listStyle: "none", padding: 0, margin: 0 }} aria-label="Tasks">
        {tasks.map((task) => (
          <Box as="li" key={task.id} borderTop="1px solid var(--edge)" padding="6px 0">
            <Box color={task.isDone ? "var(--settled)" : "var(--ink)"}>
              {task.isDone ? "Mended: " : ""}
              {task.text || "without words"}
            </Box>
            <Row>
              <PlainButton height="26px" onClick={() => router.push(`/bench/${design.id}/${task.stage ?? "journal"}`)}>
                To {stageWords[task.stage ?? "journal"]}
              </PlainButton>
              <PlainButton
                height="26px"
                onClick={() => {
                  openJournalTab("entries");
                  pickEntry(task.id);
                }}
              >
                Its entry
              </PlainButton>
            </Row>
          </Box>
        ))}
      </ul>
    </Section>
  );
}
