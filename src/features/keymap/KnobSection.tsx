"use client";

import { Box } from "@chakra-ui/react";
import { playsMusic } from "@/core/firmware/musicSocket";
import type { Control } from "@/core/catalogue/kinds";
import { kindOf } from "@/core/catalogue/kinds";
import type { Element } from "@/core/catalogue/kinds/controlKind";
import { type KnobSettings, knobOf } from "@/core/document/knobs";
import { setKnob } from "@/core/edits/keymap";
import { mostToldMs } from "@/core/timing/knobLag";
import { edit, useDesign } from "@/store/bench";
import { Checkbox, NumberField } from "@/ui/pieces/fields";
import { Columns, Section } from "@/ui/pieces/sheets";
import { ChannelField } from "@/ui/pieces/musicFields";
import { ControllerField } from "./MusicDeeds";

/** What is told of the steps of each part that turns. */
export function KnobSection({ control }: { control: Control }) {
  return kindOf(control)
    .elements(control)
    .filter(({ kind }) => kind === "quadrature")
    .map((element) => <StepsOf key={element.id} element={element} />);
}

interface Field {
  field: Exclude<keyof KnobSettings, "controller">;
  label: string;
  unit: string;
  least: number;
  most: number;
}

const FIELDS: Field[] = [
  { field: "felt", label: "Felt steps to one told", unit: "", least: 1, most: 8 },
  { field: "told", label: "It is told", unit: "times", least: 1, most: 8 },
  { field: "fastMs", label: "Fast within", unit: "ms", least: 0, most: 250 },
  { field: "fastTold", label: "Fast, up to", unit: "times", least: 1, most: 20 },
  { field: "top", label: "Its value counts to", unit: "", least: 0, most: 255 },
];

function StepsOf({ element }: { element: Element }) {
  const design = useDesign();
  const knob = knobOf(design.keymap.knobs, element.id);
  const set = (change: Partial<KnobSettings>) =>
    edit(`steps of ${element.label}`, (d) => setKnob(d, element.id, { ...knob, ...change }));
  return (
    <Section title={`Steps of ${element.label}`}>
      <Columns>
        {FIELDS.map(({ field, label, unit, least, most }) => (
          <NumberField
            key={field}
            label={label}
            unit={unit}
            whole
            min={least}
            max={most}
            value={knob[field]}
            onCommit={(value) => set({ [field]: value })}
          />
        ))}
      </Columns>
      {(playsMusic(design) || knob.controller) && <KnobController knob={knob} set={set} />}
      <Box fontSize="13px" color="var(--faint)">
        {stepWords(knob, element)} One felt step takes at most {mostToldMs(knob, design.timing)} ms to tell. Lamps can
        show its value.
      </Box>
    </Section>
  );
}

/** Its value told as a controller of music. */
function KnobController({ knob, set }: { knob: KnobSettings; set: (change: Partial<KnobSettings>) => void }) {
  const { controller } = knob;
  return (
    <>
      <Checkbox
        label="Its value is a controller of music"
        checked={controller !== undefined}
        onChange={(on) => set({ controller: on ? { channel: 0, controller: 7 } : undefined })}
      />
      {controller && (
        <Columns>
          <ControllerField
            controller={controller.controller}
            onController={(number) => set({ controller: { ...controller, controller: number } })}
          />
          <ChannelField
            channel={controller.channel}
            onChannel={(channel) => set({ controller: { ...controller, channel } })}
          />
        </Columns>
      )}
    </>
  );
}

function stepWords({ felt, told, fastMs, fastTold }: KnobSettings, { turning }: Element): string {
  const steps = turning ? Math.floor(turning.stepsPerTurn / felt) * told : 0;
  const fast =
    fastMs > 0 && fastTold > 1
      ? ` Turned fast, up to ${steps * fastTold}; at 0 ms never.`
      : " Nothing changes when it is turned fast.";
  return `A slow turn is told as ${steps} steps.${fast}`;
}
