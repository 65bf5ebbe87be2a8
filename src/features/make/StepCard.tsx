"use client";

import { Box } from "@chakra-ui/react";
import { useEffect, useState } from "react";
import { cautionWords } from "@/core/assembly/cautions";
import type { ToldStep } from "@/core/assembly/toldAssembly";
import { spanWords, stepSpan } from "@/core/assembly/time";
import { toolWords } from "@/core/assembly/toolWords";
import { noteStep } from "@/core/edits/build";
import { wiresOf } from "@/core/wires/wires";
import { edit, useDesign } from "@/store/bench";
import { layDown, spentOn, startClock, stopClock, useStepInHand } from "@/store/stepInHand";
import { PlainButton, StepButton } from "@/ui/pieces/buttons";
import { Checkbox, TextField } from "@/ui/pieces/fields";
import { Row, Section } from "@/ui/pieces/sheets";
import { useShortcuts } from "@/ui/pieces/useShortcuts";
import type { Making } from "./useMaking";
import { beginStep, doAgain, finishStep, leaveOut } from "./walking";

const SIDES: Record<NonNullable<ToldStep["face"]>, string> = {
  front: "parts side up",
  inside: "parts side up, plate off",
  back: "solder side up",
};

interface CardProps {
  step: ToldStep;
  making: Making;
}

/** One step, large: what to take, do and check, with its clock. */
export function StepCard({ step, making }: CardProps) {
  const { steps, done, skipped, wish } = making;
  const nth = steps.indexOf(step);
  const isDone = done.has(step.id);
  const back = () => nth > 0 && beginStep(steps[nth - 1]);
  const forth = () => (nth + 1 < steps.length ? beginStep(steps[nth + 1]) : layDown());
  useShortcuts(
    [
      { keys: ["d"], run: () => (isDone ? forth() : finishStep(step, steps)) },
      { keys: ["s"], run: () => (isDone ? forth() : leaveOut(step, steps)) },
      { keys: ["b"], run: back },
    ],
    () => false,
  );
  return (
    <Section title={`Step ${nth + 1} of ${steps.length}`} aside={<Clock />}>
      <Box role="status" aria-label="Step in hand" fontSize="18px" fontWeight="700" lineHeight="1.25">
        {step.title}
      </Box>
      <Box color="var(--faint)">
        {toolWords[step.tool]}
        {step.face && `, ${SIDES[step.face]}`}; {spanWords(stepSpan(step, wish))}
        {isDone && " · done"}
        {skipped.has(step.id) && " · left out"}
      </Box>
      {step.cautions.map((sort) => (
        <Box key={sort} borderLeft="3px solid var(--stop)" paddingLeft="8px">
          {cautionWords[sort]} Local codes go before this.
        </Box>
      ))}
      <Lines title="Take" lines={step.needs} />
      <Lines title="Do" lines={step.how} />
      <StepWires step={step} />
      <Checks key={step.id} lines={step.checks} />
      <Why step={step} making={making} />
      <StepNote step={step} />
      <Row>
        <PlainButton onClick={back} disabled={nth === 0}>
          Back
        </PlainButton>
        <StepButton onClick={() => (isDone ? forth() : finishStep(step, steps))}>
          {isDone ? "Next" : "Done, next"}
        </StepButton>
        {!isDone && <PlainButton onClick={() => leaveOut(step, steps)}>Leave out</PlainButton>}
        {isDone && <PlainButton onClick={() => doAgain(step)}>Do again</PlainButton>}
        <PlainButton onClick={layDown}>End</PlainButton>
      </Row>
    </Section>
  );
}

function Lines({ title, lines }: { title: string; lines: string[] }) {
  if (lines.length === 0) return null;
  return (
    <div>
      <Box fontWeight="600">{title}</Box>
      <ul style={{ paddingLeft: 18, margin: 0 }}>
        {lines.map((line) => (
          <li key={line}>{line}</li>
        ))}
      </ul>
    </div>
  );
}

/** Every wire of the step with both ends and what to cut. */
function StepWires({ step }: { step: ToldStep }) {
  const design = useDesign();
  if (step.wires.length === 0) return null;
  const own = new Set(step.wires);
  const done = new Set(design.wires.done);
  const wires = wiresOf(design).filter(({ key }) => own.has(key));
  const soldered = wires.filter(({ key }) => done.has(key)).length;
  const tick = (key: string, isDone: boolean) =>
    edit(isDone ? "tick a wire" : "untick a wire", (d) => ({
      ...d,
      wires: { ...d.wires, done: [...d.wires.done.filter((one) => one !== key), ...(isDone ? [key] : [])] },
    }));
  return (
    <details open={wires.length <= 8}>
      <summary>
        {soldered} of {wires.length} {wires.length === 1 ? "wire" : "wires"} soldered
      </summary>
      <ul style={{ listStyle: "none", padding: 0, margin: 0 }}>
        {wires.map(({ key, from, to, cutMm, colour, net }) => (
          <li key={key}>
            <Checkbox
              label={`${from.name} → ${to.name}: ${cutMm} mm ${colour} (${net})`}
              checked={done.has(key)}
              onChange={(isDone) => tick(key, isDone)}
            />
          </li>
        ))}
      </ul>
    </details>
  );
}

/** What to look at before the next step covers it; the ticks are only for the eye. */
function Checks({ lines }: { lines: string[] }) {
  const [ticked, setTicked] = useState<string[]>([]);
  if (lines.length === 0) return null;
  return (
    <div>
      <Box fontWeight="600">Check before you go on</Box>
      {lines.map((line) => (
        <Checkbox
          key={line}
          label={line}
          checked={ticked.includes(line)}
          onChange={(isOn) => setTicked(isOn ? [...ticked, line] : ticked.filter((one) => one !== line))}
        />
      ))}
    </div>
  );
}

/** Why now: what had to come before, and what waits for it. */
function Why({ step, making: { reasons, steps } }: CardProps) {
  const title = (id: string) => steps.find((one) => one.id === id)?.title ?? id;
  const before = reasons.filter(({ after }) => after === step.id);
  const after = reasons.filter(({ before: first }) => first === step.id);
  if (before.length + after.length === 0) return null;
  return (
    <details>
      <summary>Why now</summary>
      <ul style={{ paddingLeft: 18, margin: 0 }}>
        {before.map(({ before: id, sort, words }) => (
          <li key={`${id} ${sort}`}>
            after “{title(id)}”: {words}
          </li>
        ))}
        {after
          .filter(({ sort }) => sort !== "joined")
          .map(({ after: id, sort, words }) => (
            <li key={`${id} ${sort}`}>
              before “{title(id)}”, which {words}
            </li>
          ))}
      </ul>
    </details>
  );
}

function StepNote({ step }: { step: ToldStep }) {
  const notes = useDesign().build?.notes ?? {};
  return (
    <TextField
      key={step.id}
      label="Note"
      value={Object.hasOwn(notes, step.id) ? notes[step.id] : ""}
      check={(text) => (text.length > 2000 ? `At most 2000 signs, these are ${text.length}.` : null)}
      onCommit={(text) => edit("note on a step", (d) => noteStep(d, step.id, text.trim()))}
    />
  );
}

const two = (value: number) => String(Math.floor(value)).padStart(2, "0");

/** Minutes and seconds on this step; it can be stopped and goes on. */
function Clock() {
  const since = useStepInHand((state) => state.since);
  const [now, setNow] = useState(() => Date.now());
  useEffect(() => {
    if (since === null) return;
    const timer = setInterval(() => setNow(Date.now()), 1000);
    return () => clearInterval(timer);
  }, [since]);
  const seconds = spentOn(Math.max(now, since ?? 0)) / 1000;
  return (
    <Box display="flex" gap="8px" alignItems="center">
      <Box fontFamily="mono" fontSize="18px" role="timer" aria-label="Time on this step">
        {two(seconds / 60)}:{two(seconds % 60)}
      </Box>
      <PlainButton onClick={() => (since === null ? startClock() : stopClock())}>
        {since === null ? "Run" : "Stop"}
      </PlainButton>
    </Box>
  );
}
