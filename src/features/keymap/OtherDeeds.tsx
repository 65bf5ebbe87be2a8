"use client";

import { type SimpleBinding, phraseOf } from "@/core/bindings";
import { type AwakeBinding, awakeLastings } from "@/core/bindings/awake";
import { POINTER_SPEED, type PointerMoveBinding, RAMPS_MS, directions } from "@/core/bindings/pointerMove";
import type { PointerPlaceBinding } from "@/core/bindings/pointerPlace";
import type { PointerWheelBinding } from "@/core/bindings/pointerWheel";
import type { Design } from "@/core/document/schema";
import { LIMITS } from "@/core/contract/contract";
import { hatSides } from "@/core/hid/padShape";
import { POINTER_BUTTONS } from "@/core/hid/pointerWords";
import { systemDeeds } from "@/core/hid/systemUsages";
import { phraseContextOf } from "@/core/keymap/phraseContext";
import { ChoiceField, NumberField } from "@/ui/pieces/fields";
import { Columns } from "@/ui/pieces/sheets";

interface OtherDeedsProps {
  design: Design;
  job: SimpleBinding | undefined;
  onJob: (job: SimpleBinding) => void;
}

/** Speeds and times that suit most hands; they are changed beneath. */
const FRESH: SimpleBinding[] = [
  ...POINTER_BUTTONS.map((_, button): SimpleBinding => ({ does: "pointer-button", button })),
  ...directions.map((direction): SimpleBinding => ({ does: "pointer-move", direction, speed: 1200, rampMs: 512 })),
  ...directions.map((direction): SimpleBinding => ({ does: "pointer-wheel", direction, everyMs: 0 })),
  { does: "pointer-place", across: 500, down: 500 },
  { does: "awake", lasting: "switched", everyS: 60 },
  ...systemDeeds.map((deed): SimpleBinding => ({ does: "system", deed })),
  { does: "pad-button", button: 0 },
  ...hatSides.map((side): SimpleBinding => ({ does: "pad-hat", side })),
];

/** What is one thing in the list, whatever its numbers are. */
const LABELS: Partial<Record<SimpleBinding["does"], string>> = {
  "pad-button": "game pad button",
  "pointer-place": "pointer to a place",
};

const isSame = (fresh: SimpleBinding, job: SimpleBinding) =>
  fresh.does === job.does &&
  (LABELS[job.does] ? [] : (["button", "direction", "deed", "side"] as const)).every(
    (field) => (fresh as Record<string, unknown>)[field] === (job as unknown as Record<string, unknown>)[field],
  );

/** The pointer, the computer's power, what keeps it awake, and the game pad. */
export function OtherDeeds({ design, job, onJob }: OtherDeedsProps) {
  const context = phraseContextOf(design);
  const at = job ? FRESH.findIndex((fresh) => isSame(fresh, job)) : -1;
  return (
    <>
      <ChoiceField
        label="Pointer, computer or game pad"
        value={String(at)}
        choices={[
          { value: "-1", label: "choose one" },
          ...FRESH.map((fresh, nth) => ({
            value: String(nth),
            label: LABELS[fresh.does] ?? phraseOf(fresh, context),
          })),
        ]}
        onCommit={(nth) => nth !== "-1" && onJob(FRESH[Number(nth)])}
      />
      {job?.does === "pointer-move" && <MoveFields job={job} onJob={onJob} />}
      {job?.does === "pointer-place" && <PlaceFields job={job} onJob={onJob} />}
      {job?.does === "pointer-wheel" && <WheelFields job={job} onJob={onJob} />}
      {job?.does === "pad-button" && (
        <NumberField
          label="Button"
          unit=""
          whole
          min={1}
          max={LIMITS.PAD_BUTTONS}
          value={job.button + 1}
          onCommit={(button) => onJob({ ...job, button: button - 1 })}
        />
      )}
      {job?.does === "awake" && <AwakeFields job={job} onJob={onJob} />}
    </>
  );
}

const rampWords = (ms: number) => (ms === 0 ? "at once" : `in ${ms} ms`);

function MoveFields({ job, onJob }: { job: PointerMoveBinding; onJob: OtherDeedsProps["onJob"] }) {
  return (
    <Columns>
      <NumberField
        label="Top speed"
        unit="counts/s"
        whole
        min={POINTER_SPEED.least}
        max={POINTER_SPEED.most}
        value={job.speed}
        onCommit={(speed) => onJob({ ...job, speed })}
      />
      <ChoiceField
        label="It is reached"
        value={String(job.rampMs)}
        choices={RAMPS_MS.map((ms) => ({ value: String(ms), label: rampWords(ms) }))}
        onCommit={(ms) => onJob({ ...job, rampMs: Number(ms) as PointerMoveBinding["rampMs"] })}
      />
    </Columns>
  );
}

/** Of the screen's width and height, in percent, as the person counts them. */
function PlaceFields({ job, onJob }: { job: PointerPlaceBinding; onJob: OtherDeedsProps["onJob"] }) {
  const field = (label: string, key: "across" | "down") => (
    <NumberField
      label={label}
      unit="%"
      min={0}
      max={100}
      value={job[key] / 10}
      onCommit={(percent) => onJob({ ...job, [key]: Math.round(10 * percent) })}
    />
  );
  return (
    <Columns>
      {field("From the left edge", "across")}
      {field("From the top", "down")}
    </Columns>
  );
}

function WheelFields({ job, onJob }: { job: PointerWheelBinding; onJob: OtherDeedsProps["onJob"] }) {
  return (
    <NumberField
      label="Again while held, every (0: one step a press)"
      unit="ms"
      whole
      min={0}
      max={5000}
      value={job.everyMs}
      onCommit={(everyMs) => onJob({ ...job, everyMs })}
    />
  );
}

const LASTING_WORDS = { switched: "until its next press", held: "while it is held" };

function AwakeFields({ job, onJob }: { job: AwakeBinding; onJob: OtherDeedsProps["onJob"] }) {
  return (
    <Columns>
      <ChoiceField
        label="It stays on"
        value={job.lasting}
        choices={awakeLastings.map((value) => ({ value, label: LASTING_WORDS[value] }))}
        onCommit={(lasting) => onJob({ ...job, lasting: lasting as AwakeBinding["lasting"] })}
      />
      <NumberField
        label="A count every"
        unit="s"
        whole
        min={1}
        max={3600}
        value={job.everyS}
        onCommit={(everyS) => onJob({ ...job, everyS })}
      />
    </Columns>
  );
}
