"use client";

import { Box } from "@chakra-ui/react";
import { nextStep } from "@/core/assembly/progress";
import { sittingsOf, spanWords, totalSpan } from "@/core/assembly/time";
import type { Loop } from "@/core/assembly/loops";
import { deviceOf } from "@/core/document/buildSettings";
import { nextDevice, setDevice } from "@/core/edits/build";
import { counted } from "@/core/words";
import { edit, useDesign } from "@/store/bench";
import { NumberField } from "@/ui/pieces/fields";
import { openMakeTab, useStepInHand } from "@/store/stepInHand";
import { PlainButton, StepButton } from "@/ui/pieces/buttons";
import { later } from "@/ui/pieces/later";
import { Row, Section, Values } from "@/ui/pieces/sheets";
import { WaysSection } from "./WaysSection";
import { type Making, useMaking } from "./useMaking";
import { beginStep } from "./walking";

const StepCard = later(() => import("./StepCard").then((m) => m.StepCard));

/** Three hours are a long evening. */
export const SITTING_MIN = 180;

/** All steps at a glance, or the one in hand. */
export function StepsTab() {
  const making = useMaking();
  const stepId = useStepInHand((state) => state.stepId);
  if (!making) return <Section title="Steps">Working out what comes before what …</Section>;
  const step = making.steps.find(({ id }) => id === stepId);
  return (
    <>
      {step ? <StepCard step={step} making={making} /> : <Glance making={making} />}
      {!step && <Loops making={making} />}
      {!step && <WaysSection />}
    </>
  );
}

function Glance({ making }: { making: Making }) {
  const design = useDesign();
  const { steps, done, skipped, order, wish } = making;
  if (steps.length === 0)
    return (
      <Section title="Steps">
        There is nothing to put together yet: place parts in Layout, or start from the brief.
      </Section>
    );
  const open = steps.filter(({ id }) => !done.has(id) && !skipped.has(id));
  const next = nextStep(design, steps);
  const sittings = sittingsOf(open, SITTING_MIN, wish).length;
  return (
    <Section title="Steps" aside={<span>{`${done.size} of ${steps.length} done`}</span>}>
      <Box fontSize="16px" fontWeight="700" role="status">
        {open.length === 0
          ? "Everything is done."
          : `${open.length === steps.length ? "All" : "Left"}: ${spanWords(totalSpan(open, wish))}, over ${counted(sittings, "sitting")}.`}
      </Box>
      <Values
        rows={[
          ["Steps", String(steps.length)],
          ["Left out", String(skipped.size)],
          ["Turned over, or another piece", `${order.turns} ×`],
          ["Another tool", `${order.changes} ×`],
        ]}
      />
      <Box color="var(--faint)">
        {order.proof === "exact"
          ? "No order that obeys all reasons turns the work over or changes tools less."
          : `No order costs less than ${order.bound}; this one costs ${order.cost}.`}
      </Box>
      {next && (
        <Row>
          {done.size === 0 && <PlainButton onClick={() => openMakeTab("parts")}>Before you order</PlainButton>}
          <StepButton onClick={() => beginStep(next)}>
            {done.size + skipped.size === 0 ? "Begin with step 1" : `Go on with step ${steps.indexOf(next) + 1}`}
          </StepButton>
        </Row>
      )}
      <NumberField
        label="Which one of its kind"
        unit=""
        whole
        min={1}
        max={10_000}
        value={deviceOf(design)}
        onCommit={(device) => edit("which device", (d) => setDevice(d, device))}
      />
      {open.length === 0 && (
        <PlainButton onClick={() => edit("next device", nextDevice)}>Begin the next one</PlainButton>
      )}
      <div>Step sheets to print, with pictures, are under Export.</div>
    </Section>
  );
}

/** Where reasons run in a circle, what had to be given up. */
function Loops({ making: { loops, steps } }: { making: Making }) {
  if (loops.length === 0) return null;
  const title = (id: string) => steps.find((step) => step.id === id)?.title ?? id;
  return (
    <Section title="No order fits all of this">
      {loops.map((loop, nth) => (
        <LoopWords key={nth} loop={loop} title={title} />
      ))}
    </Section>
  );
}

function LoopWords({ loop, title }: { loop: Loop; title: (id: string) => string }) {
  return (
    <Box borderLeft="3px solid var(--stop)" paddingLeft="8px">
      <ol style={{ paddingLeft: 18, margin: 0 }}>
        {loop.reasons.map((reason) => (
          <li key={`${reason.before} ${reason.after}`}>
            <b>{title(reason.before)}</b> before <b>{title(reason.after)}</b>, which {reason.words}.
          </li>
        ))}
      </ol>
      <div>Given up here: the {loop.reasons.indexOf(loop.given) + 1}. of these.</div>
    </Box>
  );
}
