"use client";

import { Box } from "@chakra-ui/react";
import type { Control } from "@/core/catalogue/kinds";
import { type LampLook, lampLookSchema, lampPatterns, lookOf, pulsesASecond } from "@/core/document/lampLooks";
import { setLampLook } from "@/core/edits/keymap";
import { fieldOf } from "@/core/schemaLimits";
import { edit, useDesign } from "@/store/bench";
import { ChoiceField, NumberField } from "@/ui/pieces/fields";
import { Columns } from "@/ui/pieces/sheets";

const OWN = "own";
const isSame = (look: LampLook, other: Omit<LampLook, "eighths">) =>
  look.onMs === other.onMs && (other.onMs === 0 || (look.offMs === other.offMs && look.times === other.times));

const FLASHES_A_SECOND = 3;

const does: Partial<Record<Control["kind"], string>> = { motor: "It runs", buzzer: "It sounds" };

/** In which pattern a lamp is lit, a motor runs or a sounder sounds, and how much; a tone is as loud as it is. */
export function LookFields({ control }: { control: Control }) {
  const design = useDesign();
  const look = lookOf(design.keymap.looks, control.id);
  const named = lampPatterns.findIndex((pattern) => isSame(look, pattern.look));
  const set = (change: Partial<LampLook>) =>
    edit(`how ${control.label} is seen`, (d) => setLampLook(d, control.id, { ...look, ...change }));
  const isSeen = control.kind === "lamp";
  const take = (value: string) => {
    if (value !== OWN) return set(lampPatterns[Number(value)].look);
    // Its times are then a person's own, a little other than those of any name.
    set({ onMs: 200, offMs: 400, times: look.times });
  };
  return (
    <>
      <ChoiceField
        label={does[control.kind] ?? "It is lit"}
        value={named < 0 ? OWN : String(named)}
        choices={[
          ...lampPatterns.map(({ title, felt }, nth) => ({ value: String(nth), label: isSeen ? title : felt })),
          { value: OWN, label: "in times of your own" },
        ]}
        onCommit={take}
      />
      {named < 0 && <TimesFields look={look} set={set} />}
      {control.kind !== "buzzer" && (
        <ChoiceField
          label={isSeen ? "Brightness" : "Strength"}
          value={String(look.eighths)}
          choices={Array.from({ length: 8 }, (_, nth) => ({
            value: String(8 - nth),
            label: nth === 0 ? "whole" : `${8 - nth} of 8`,
          }))}
          onCommit={(eighths) => set({ eighths: Number(eighths) })}
        />
      )}
      {isSeen && pulsesASecond(look) >= FLASHES_A_SECOND && (
        <Box fontSize="13px" color="var(--warn)">
          It flashes {pulsesASecond(look).toFixed(1)} times a second. Light that flashes three times a second or faster
          can harm people who are sensitive to it (WCAG 2.3.1).
        </Box>
      )}
    </>
  );
}

function TimesFields({ look, set }: { look: LampLook; set: (change: Partial<LampLook>) => void }) {
  return (
    <Columns count={3}>
      <NumberField
        label="On"
        unit="ms"
        whole
        min={10}
        max={2550}
        value={look.onMs}
        onCommit={(onMs) => set({ onMs })}
      />
      <NumberField
        label="Off"
        unit="ms"
        whole
        schema={fieldOf(lampLookSchema, "offMs")}
        value={look.offMs}
        onCommit={(offMs) => set({ offMs })}
      />
      <NumberField
        label="Pulses"
        unit="0: all"
        whole
        schema={fieldOf(lampLookSchema, "times")}
        value={look.times}
        onCommit={(times) => set({ times })}
      />
    </Columns>
  );
}
