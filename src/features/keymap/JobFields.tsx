"use client";

import { later } from "@/ui/pieces/later";
import { Box } from "@chakra-ui/react";
import { playsMusic } from "@/core/firmware/musicSocket";
import { type SimpleBinding, leadsOf, phraseOf } from "@/core/bindings";
import type { KeyboardBinding } from "@/core/bindings/keyboardUsage";
import type { RepeatBinding } from "@/core/bindings/repeat";
import type { Design } from "@/core/document/schema";
import { modifierNames } from "@/core/hid/keyboardUsages";
import { phraseContextOf } from "@/core/keymap/phraseContext";
import { PlainButton } from "@/ui/pieces/buttons";
import { Checkbox, ChoiceField, NumberField } from "@/ui/pieces/fields";
import { Columns } from "@/ui/pieces/sheets";
import { PressToBind } from "./PressToBind";

const ThreeThings = later(() => import("./ThreeThings").then((m) => m.ThreeThings));

const MusicDeeds = later(() => import("./MusicDeeds").then((m) => m.MusicDeeds));

const OtherDeeds = later(() => import("./OtherDeeds").then((m) => m.OtherDeeds));

/** The search comes with the first input that is taken in hand. */
const UsageSearch = later(() => import("./UsageSearch").then((m) => m.UsageSearch));

/** What is bound stays in reach, also where the device declares no music any more. */
const plays = (job: SimpleBinding | undefined) =>
  job?.does === "note" || job?.does === "controller" || job?.does === "program";

const MODIFIER_BITS = [0, 1, 2, 3, 4, 5, 6, 7];
const FIRST_MODIFIER = 0xe0;

interface JobProps {
  design: Design;
  job: SimpleBinding | undefined;
  /** Whether it can be held down: layers are led to by presses only. */
  isPress: boolean;
  onJob: (job: SimpleBinding) => void;
  /** What the cap shows. */
  cap: string;
}

/** One thing that an input does: a usage with its modifiers, a layer, or nothing. */
export function JobFields({ design, job, isPress, onJob, cap }: JobProps) {
  return (
    <>
      <UsageSearch
        design={design}
        onUsage={({ page, usage, modifiers = 0 }) =>
          onJob(page === "keyboard" ? { does: "keyboard", usage, modifiers } : { does: "consumer", usage })
        }
      />
      <PressToBind onUsage={(usage, modifiers) => onJob({ does: "keyboard", usage, modifiers })} />
      {job?.does === "keyboard" && <ThreeThings design={design} job={job} cap={cap} />}
      {job?.does === "keyboard" && job.usage < FIRST_MODIFIER && (
        <ModifierBoxes title="Held with it" bits={job.modifiers} onBits={(modifiers) => onJob({ ...job, modifiers })} />
      )}
      {job?.does === "next-modifiers" && (
        <ModifierBoxes
          title="For the next key"
          bits={job.modifiers}
          onBits={(modifiers) => modifiers > 0 && onJob({ ...job, modifiers })}
        />
      )}
      {isPress && <NextKeyBox job={job} onJob={onJob} />}
      {job?.does === "keyboard" && job.usage < FIRST_MODIFIER && isPress && (
        <Checkbox label="The device repeats it" checked={false} onChange={() => onJob(repeated(job))} />
      )}
      {job?.does === "repeat" && <RepeatFields job={job} onJob={onJob} />}
      <OtherDeeds design={design} job={job} onJob={onJob} />
      {(playsMusic(design) || plays(job)) && <MusicDeeds job={job} onJob={onJob} />}
      <MacroField design={design} job={job} onJob={onJob} />
      {isPress && <LayerField design={design} job={job} onJob={onJob} />}
      <PlainButton onClick={() => onJob({ does: "nothing" })}>Do nothing</PlainButton>
    </>
  );
}

/** Times that most computers use for their own repetition (common practice). */
const repeated = ({ usage, modifiers }: KeyboardBinding): RepeatBinding => ({
  does: "repeat",
  usage,
  modifiers,
  afterMs: 400,
  everyMs: 40,
});

function RepeatFields({ job, onJob }: { job: RepeatBinding; onJob: JobProps["onJob"] }) {
  const { usage, modifiers } = job;
  return (
    <>
      <Checkbox label="The device repeats it" checked onChange={() => onJob({ does: "keyboard", usage, modifiers })} />
      <Columns>
        <NumberField
          label="First after"
          unit="ms"
          whole
          min={1}
          max={5000}
          value={job.afterMs}
          onCommit={(afterMs) => onJob({ ...job, afterMs })}
        />
        <NumberField
          label="Then every"
          unit="ms"
          whole
          min={2}
          max={5000}
          value={job.everyMs}
          onCommit={(everyMs) => onJob({ ...job, everyMs })}
        />
      </Columns>
    </>
  );
}

function MacroField({ design, job, onJob }: Pick<JobProps, "design" | "job" | "onJob">) {
  const macros = design.keymap.macros ?? [];
  if (macros.length === 0) return null;
  return (
    <ChoiceField
      label="Play a macro"
      value={job?.does === "macro" ? job.macroId : ""}
      choices={[{ value: "", label: "choose one" }, ...macros.map(({ id, name }) => ({ value: id, label: name }))]}
      onCommit={(macroId) => macroId !== "" && onJob({ does: "macro", macroId })}
    />
  );
}

function ModifierBoxes({ title, bits, onBits }: { title: string; bits: number; onBits: (bits: number) => void }) {
  return (
    <Box>
      <Box color="var(--faint)" fontSize="13px">
        {title}
      </Box>
      <Box display="grid" gridTemplateColumns="1fr 1fr">
        {MODIFIER_BITS.map((bit) => (
          <Checkbox
            key={bit}
            label={modifierNames(1 << bit)[0]}
            checked={((bits >> bit) & 1) === 1}
            onChange={() => onBits(bits ^ (1 << bit))}
          />
        ))}
      </Box>
    </Box>
  );
}

/** A modifier key may stay for the next key instead of being held. */
function NextKeyBox({ job, onJob }: Pick<JobProps, "job" | "onJob">) {
  if (job?.does === "keyboard" && job.usage >= FIRST_MODIFIER) {
    const modifiers = job.modifiers | (1 << (job.usage - FIRST_MODIFIER));
    return (
      <Checkbox
        label="For the next key only"
        checked={false}
        onChange={() => onJob({ does: "next-modifiers", modifiers })}
      />
    );
  }
  if (job?.does !== "next-modifiers") return null;
  const bit = MODIFIER_BITS.find((one) => (job.modifiers >> one) & 1)!;
  return (
    <Checkbox
      label="For the next key only"
      checked
      onChange={() => onJob({ does: "keyboard", usage: FIRST_MODIFIER + bit, modifiers: job.modifiers & ~(1 << bit) })}
    />
  );
}

const LAYER_WAYS = ["hold-layer", "switch-layer", "next-layer", "stay-layer"] as const;

function LayerField({ design, job, onJob }: Omit<JobProps, "isPress" | "cap">) {
  const { layers } = design.keymap;
  if (layers.length < 2) return null;
  const context = phraseContextOf(design);
  const ways = layers.flatMap(({ id: layerId }) => LAYER_WAYS.map((does): SimpleBinding => ({ does, layerId })));
  const valueOf = (way: SimpleBinding) => JSON.stringify(way);
  return (
    <ChoiceField
      label="Lead to a layer"
      value={job && leadsOf(job).length > 0 ? valueOf(ways.find((way) => isSameWay(way, job)) ?? job) : ""}
      choices={[
        { value: "", label: "choose how, and which" },
        ...ways.map((way) => ({ value: valueOf(way), label: phraseOf(way, context) })),
      ]}
      onCommit={(value) => {
        if (value !== "") onJob(JSON.parse(value) as SimpleBinding);
      }}
    />
  );
}

const isSameWay = (way: SimpleBinding, job: SimpleBinding) =>
  way.does === job.does && "layerId" in way && "layerId" in job && way.layerId === job.layerId;
