"use client";

import type { ControlInput } from "@/core/catalogue/kinds/controlKind";
import { Box } from "@chakra-ui/react";
import { useState } from "react";
import { type Binding, type SimpleBinding, jobsOf, phraseOf } from "@/core/bindings";
import type { SecondTapBinding } from "@/core/bindings/secondTap";
import { type TwoJobsBinding, holdSchools } from "@/core/bindings/twoJobs";
import { LIMITS } from "@/core/contract/contract";
import { bind } from "@/core/edits/keymap";
import { phraseContextOf } from "@/core/keymap/phraseContext";
import { edit } from "@/store/bench";
import { pickInput } from "@/store/hand";
import { PlainButton } from "@/ui/pieces/buttons";
import { ChoiceField, NumberField } from "@/ui/pieces/fields";
import { Columns, Row, Section } from "@/ui/pieces/sheets";
import { JobFields } from "./JobFields";
import { composed, compositionOf, compositionWords, compositions, schoolWords, withJob } from "./composing";
import { useKeymap } from "./useKeymap";

/** What lasts as long as a hand holds it; a step of a knob and a flip back do not. */
const HELD: ControlInput["motion"][] = ["press", "high", "low"];

/** What the input in hand does on the layer in hand. */
export function BindingSection() {
  const { design, layer, inputs, input } = useKeymap();
  const [nth, setNth] = useState(0);
  if (!input) return null;
  const context = phraseContextOf(design);
  const binding = layer.bindings[input.id] as Binding | undefined;
  const isBase = layer.id === design.keymap.layers[0].id;
  const set = (next: Binding | null) =>
    edit(next ? `bind ${input.label}` : `clear ${input.label}`, (d) => bind(d, layer.id, input.id, next));
  const how = compositionOf(binding);
  const jobs: (SimpleBinding | undefined)[] = binding ? jobsOf(binding) : [undefined];
  const at = Math.min(nth, jobs.length - 1);
  return (
    <Section title={`${input.label} on ${layer.name}`}>
      {inputs.length > 1 && (
        <ChoiceField
          label="Movement"
          value={input.id}
          choices={inputs.map(({ id, label }) => ({ value: id, label }))}
          onCommit={pickInput}
        />
      )}
      <Box
        padding="8px 10px"
        bg="var(--paper)"
        borderLeft="4px solid var(--saffron)"
        fontWeight="600"
        role="status"
        aria-label="What it does"
      >
        {binding ? phraseOf(binding, context) : isBase ? "nothing yet" : "as on the layer beneath"}
      </Box>
      {input.canWait && (
        <ChoiceField
          label="It does"
          value={how}
          choices={compositions.map((value) => ({ value, label: compositionWords[value] }))}
          onCommit={(value) => {
            setNth(value === "one" ? 0 : 1);
            set(composed(binding, value as typeof how));
          }}
        />
      )}
      {jobs.length > 1 && (
        <JobChoice
          words={how === "two-jobs" ? ["Tapped", "Held"] : ["Once", "Twice"]}
          phrases={jobs.map((job) => phraseOf(job!, context))}
          nth={at}
          onNth={setNth}
        />
      )}
      <JobFields
        key={at}
        design={design}
        job={jobs[at]}
        isPress={HELD.includes(input.motion)}
        cap={input.label}
        onJob={(job) => set(withJob(binding, at, job))}
      />
      {binding?.does === "two-jobs" && <HoldFields binding={binding} onBinding={set} />}
      {binding?.does === "second-tap" && <TapFields binding={binding} onBinding={set} />}
      <Row>
        <PlainButton onClick={() => set(null)} disabled={!binding}>
          {isBase ? "Clear" : "As beneath"}
        </PlainButton>
      </Row>
    </Section>
  );
}

interface JobChoiceProps {
  words: string[];
  phrases: string[];
  nth: number;
  onNth: (nth: number) => void;
}

/** Which of its two things is being set. */
function JobChoice({ words, phrases, nth, onNth }: JobChoiceProps) {
  return (
    <Box role="group" aria-label="Which of its things" display="grid" gridTemplateColumns="1fr 1fr" gap="4px">
      {words.map((word, one) => (
        <button
          key={word}
          aria-pressed={one === nth}
          aria-label={`${word}: ${phrases[one]}`}
          onClick={() => onNth(one)}
          style={{
            textAlign: "left",
            padding: "4px 8px",
            borderBottom: `3px solid ${one === nth ? "var(--saffron)" : "var(--edge)"}`,
            background: one === nth ? "var(--paper)" : "transparent",
          }}
        >
          <span style={{ color: "var(--faint)", fontSize: "13px" }}>{word}</span>
          <br />
          {phrases[one]}
        </button>
      ))}
    </Box>
  );
}

function HoldFields({ binding, onBinding }: { binding: TwoJobsBinding; onBinding: (next: TwoJobsBinding) => void }) {
  return (
    <>
      <ChoiceField
        label="It is held when"
        value={binding.school}
        choices={holdSchools.map((value) => ({ value, label: schoolWords[value] }))}
        onCommit={(school) => onBinding({ ...binding, school: school as TwoJobsBinding["school"] })}
      />
      <Columns>
        <NumberField
          label="Time"
          unit="ms"
          whole
          min={1}
          max={LIMITS.DEADLINE_MS}
          value={binding.deadlineMs}
          onCommit={(deadlineMs) => onBinding({ ...binding, deadlineMs })}
        />
        <NumberField
          label="Tapped after a key"
          unit="ms"
          whole
          min={0}
          max={LIMITS.WINDOW_MS}
          value={binding.quickMs}
          onCommit={(quickMs) => onBinding({ ...binding, quickMs })}
        />
      </Columns>
      <Box fontSize="13px" color="var(--faint)">
        {binding.quickMs > 0
          ? `Pressed less than ${binding.quickMs} ms after another key it is typing, and counts as tapped at once.`
          : "Fast typing is not looked at: a key pressed soon after another may count as held."}
      </Box>
    </>
  );
}

function TapFields({ binding, onBinding }: { binding: SecondTapBinding; onBinding: (next: SecondTapBinding) => void }) {
  return (
    <>
      <NumberField
        label="From the first press to the second"
        unit="ms"
        whole
        min={1}
        max={LIMITS.DEADLINE_MS}
        value={binding.withinMs}
        onCommit={(withinMs) => onBinding({ ...binding, withinMs })}
      />
      <Box fontSize="13px" color="var(--faint)">
        A single tap is told when that time is over, or another key is pressed.
      </Box>
    </>
  );
}
