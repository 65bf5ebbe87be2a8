"use client";

import type { SimpleBinding } from "@/core/bindings";
import { USUAL_VELOCITY } from "@/core/bindings/note";
import { LAST_CONTROLLER, namedControllers } from "@/core/hid/musicWords";
import { ChoiceField, NumberField } from "@/ui/pieces/fields";
import { ChannelField, NoteField } from "@/ui/pieces/musicFields";
import { Columns } from "@/ui/pieces/sheets";

interface MusicDeedsProps {
  job: SimpleBinding | undefined;
  onJob: (job: SimpleBinding) => void;
}

/** The C in the middle, and the pedal that holds what sounds. */
const FRESH: Record<string, SimpleBinding> = {
  note: { does: "note", note: 60, velocity: USUAL_VELOCITY, channel: 0 },
  controller: { does: "controller", controller: 64, value: 127, channel: 0 },
  program: { does: "program", program: 0, channel: 0 },
};

const LABELS = { note: "a note", controller: "a controller while held", program: "choose a program" };

/** A note, a controller, a program. */
export function MusicDeeds({ job, onJob }: MusicDeedsProps) {
  const does = job && Object.hasOwn(FRESH, job.does) ? job.does : "";
  return (
    <>
      <ChoiceField
        label="Music"
        value={does}
        choices={[
          { value: "", label: "choose one" },
          ...Object.entries(LABELS).map(([value, label]) => ({ value, label })),
        ]}
        onCommit={(next) => next !== "" && next !== does && onJob(FRESH[next])}
      />
      {job?.does === "note" && (
        <Columns>
          <NoteField label="Note" note={job.note} onNote={(note) => onJob({ ...job, note })} />
          <SevenBits
            label="Velocity"
            least={1}
            value={job.velocity}
            onValue={(velocity) => onJob({ ...job, velocity })}
          />
        </Columns>
      )}
      {job?.does === "controller" && (
        <Columns>
          <ControllerField controller={job.controller} onController={(controller) => onJob({ ...job, controller })} />
          <SevenBits label="While held" least={1} value={job.value} onValue={(value) => onJob({ ...job, value })} />
        </Columns>
      )}
      {job?.does === "program" && (
        <NumberField
          label="Program"
          whole
          unit=""
          min={1}
          max={128}
          value={job.program + 1}
          onCommit={(program) => onJob({ ...job, program: program - 1 })}
        />
      )}
      {(job?.does === "note" || job?.does === "controller" || job?.does === "program") && (
        <ChannelField channel={job.channel} onChannel={(channel) => onJob({ ...job, channel })} />
      )}
    </>
  );
}

export const SevenBits = ({
  label,
  least,
  value,
  onValue,
}: {
  label: string;
  least: number;
  value: number;
  onValue: (value: number) => void;
}) => <NumberField label={label} whole unit="" min={least} max={127} value={value} onCommit={onValue} />;

/** By name where it has one; others by number. */
export function ControllerField({
  controller,
  onController,
  most = LAST_CONTROLLER,
}: {
  controller: number;
  onController: (controller: number) => void;
  most?: number;
}) {
  const named = namedControllers.filter(({ number }) => number <= most);
  return (
    <>
      <ChoiceField
        label="Controller"
        value={named.some(({ number }) => number === controller) ? String(controller) : ""}
        choices={[
          { value: "", label: "by number" },
          ...named.map(({ number, name }) => ({ value: String(number), label: `${number} ${name}` })),
        ]}
        onCommit={(number) => number !== "" && onController(Number(number))}
      />
      <NumberField label="Its number" whole unit="" min={0} max={most} value={controller} onCommit={onController} />
    </>
  );
}
