"use client";

import { Box, chakra } from "@chakra-ui/react";
import { useId } from "react";
import { MOST_PHOTOS_OF_ENTRY, type EntryKind, type Spending, spendings } from "@/core/document/journalSettings";
import { type Stage, stageIds } from "@/core/document/stageIds";
import { entryKindWords, partWords, spendingWords } from "@/core/journal/entryWords";
import { useDesign } from "@/store/bench";
import { useHand } from "@/store/hand";
import { newId } from "@/store/newId";
import { keepPhotos } from "@/store/photos";
import { troubleOf } from "@/store/storeTrouble";
import { shrinkPhoto } from "@/ui/files/shrinkPhoto";
import { PlainButton } from "@/ui/pieces/buttons";
import { ChoiceField } from "@/ui/pieces/fields";
import { notify } from "@/ui/pieces/notices";
import { Columns, Row } from "@/ui/pieces/sheets";
import { TextArea } from "@/ui/pieces/TextArea";
import type { Draft } from "./draft";
import { PhotoButton, Photos } from "./Photos";
import { stageWords } from "./stageWords";

/** What a person writes; a finding that is left and a revision have places of their own. */
const WRITTEN: EntryKind[] = ["note", "measurement", "time", "money", "fault", "repair", "regret"];

const HINTS: Partial<Record<EntryKind, string>> = {
  note: "What happened, or what to remember",
  measurement: "What was measured, and where",
  time: "What the time went to",
  money: "What it was spent on, and where",
  fault: "What was wrong, and how it showed",
  repair: "What was mended, and how",
  regret: "What the next one should have or not have",
};

interface EntryFieldsProps {
  draft: Draft;
  onChange: (draft: Draft) => void;
}

/** The fields of one entry. */
export function EntryFields({ draft, onChange }: EntryFieldsProps) {
  const change = (part: Partial<Draft>) => onChange({ ...draft, ...part });
  return (
    <>
      {WRITTEN.includes(draft.kind) && (
        <ChoiceField
          label="Kind"
          value={draft.kind}
          choices={WRITTEN.map((kind) => ({ value: kind, label: entryKindWords[kind] }))}
          onCommit={(kind) => change({ kind: kind as EntryKind })}
        />
      )}
      <CountFields draft={draft} change={change} />
      <TextArea
        label={HINTS[draft.kind] ?? "Words"}
        rows={4}
        value={draft.text}
        onChange={(text) => change({ text })}
      />
      {(draft.kind === "time" || draft.kind === "regret") && (
        <StageField
          label={draft.kind === "time" ? "Spent in" : "To be mended in"}
          stage={draft.stage}
          onCommit={(stage) => change({ stage })}
        />
      )}
      <DayField at={draft.at} onChange={(at) => change({ at })} />
      <PartsField parts={draft.parts} onChange={(parts) => change({ parts })} />
      <PhotosField photos={draft.photos} onChange={(photos) => change({ photos })} />
    </>
  );
}

function CountFields({ draft, change }: { draft: Draft; change: (part: Partial<Draft>) => void }) {
  if (draft.kind === "measurement")
    return (
      <Columns>
        <DraftField label="Value" value={draft.value} onChange={(value) => change({ value })} />
        <DraftField label="Unit" value={draft.unit} onChange={(unit) => change({ unit: unit.slice(0, 20) })} />
      </Columns>
    );
  if (draft.kind === "time")
    return <DraftField label="Hours" value={draft.value} onChange={(value) => change({ value })} />;
  if (draft.kind === "money")
    return (
      <Columns>
        <DraftField label="Amount" value={draft.value} onChange={(value) => change({ value })} />
        <ChoiceField
          label="Spent on"
          value={draft.spentOn}
          choices={spendings.map((one) => ({ value: one, label: spendingWords[one] }))}
          onCommit={(spentOn) => change({ spentOn: spentOn as Spending })}
        />
      </Columns>
    );
  return null;
}

/** A field whose text is taken as it is typed: the whole entry is noted at once. */
function DraftField({ label, value, onChange, type }: DraftFieldProps) {
  const id = useId();
  return (
    <div>
      <label htmlFor={id}>
        <Box fontSize="13px" fontWeight="500" color="var(--faint)" marginBottom="2px">
          {label}
        </Box>
      </label>
      <chakra.input
        id={id}
        type={type}
        width="100%"
        height="30px"
        padding="0 8px"
        fontFamily="mono"
        border="1px solid var(--edge)"
        borderRadius="3px"
        bg="var(--sheet)"
        color="var(--ink)"
        value={value}
        onChange={(event) => onChange(event.target.value)}
      />
    </div>
  );
}

interface DraftFieldProps {
  label: string;
  value: string;
  type?: string;
  onChange: (value: string) => void;
}

const DayField = ({ at, onChange }: { at: string; onChange: (at: string) => void }) => (
  <DraftField label="When" type="datetime-local" value={at} onChange={onChange} />
);

interface StageFieldProps {
  label: string;
  stage: Stage | "";
  onCommit: (stage: Stage | "") => void;
}

export function StageField({ label, stage, onCommit }: StageFieldProps) {
  return (
    <ChoiceField
      label={label}
      value={stage}
      choices={[{ value: "", label: "no stage" }, ...stageIds.map((one) => ({ value: one, label: stageWords[one] }))]}
      onCommit={(one) => onCommit(one as Stage | "")}
    />
  );
}

/** The parts on the mat that an entry is tied to. */
function PartsField({ parts, onChange }: { parts: string[]; onChange: (parts: string[]) => void }) {
  const design = useDesign();
  const selection = useHand((state) => state.selection);
  const isSame = parts.length === selection.length && parts.every((id) => selection.includes(id));
  return (
    <Box fontSize="13px">
      <Box color="var(--faint)" fontWeight="500">
        Tied to
      </Box>
      <Box marginBottom="4px">{parts.length === 0 ? "the whole device" : partWords(design, parts)}</Box>
      <Row>
        {selection.length > 0 && !isSame && (
          <PlainButton height="26px" onClick={() => onChange(selection.slice(0, 1000))}>
            Tie to {selection.length === 1 ? "the selected part" : `${selection.length} selected parts`}
          </PlainButton>
        )}
        {parts.length > 0 && (
          <PlainButton height="26px" onClick={() => onChange([])}>
            Untie
          </PlainButton>
        )}
        {selection.length === 0 && parts.length === 0 && (
          <Box color="var(--faint)">Select parts on the mat to tie it to them.</Box>
        )}
      </Row>
    </Box>
  );
}

function PhotosField({ photos, onChange }: { photos: string[]; onChange: (photos: string[]) => void }) {
  const { id: designId } = useDesign();
  const add = async (files: File[]) => {
    const room = MOST_PHOTOS_OF_ENTRY - photos.length;
    const shrunk = await Promise.all(files.slice(0, room).map(shrinkPhoto));
    const taken = shrunk.flatMap((one) =>
      one.ok ? [{ id: newId(), mediaType: one.mediaType, bytes: one.bytes }] : [],
    );
    const refused = shrunk.flatMap((one) => (one.ok ? [] : [one.why]));
    if (files.length > room) refused.push(`An entry has at most ${MOST_PHOTOS_OF_ENTRY} photos.`);
    try {
      await keepPhotos(designId, taken);
      onChange([...photos, ...taken.map(({ id }) => id)]);
    } catch (error) {
      refused.push(troubleOf(error).message);
    }
    if (refused.length > 0) notify(refused.join(" "));
  };
  return (
    <>
      <Photos ids={photos} onRemove={(id) => onChange(photos.filter((one) => one !== id))} />
      <Row>
        <PhotoButton onFiles={(files) => void add(files)} />
      </Row>
    </>
  );
}
