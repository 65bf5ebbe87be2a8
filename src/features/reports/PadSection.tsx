"use client";

import { Box } from "@chakra-ui/react";
import { setPad } from "@/core/edits/reportSet";
import { reportShapeOf } from "@/core/firmware/reportShape";
import { padAxisNames, padSettingsSchema, usualPad } from "@/core/hid/padShape";
import { edit, useDesign } from "@/store/bench";
import { Checkbox } from "@/ui/pieces/fields";
import { NumberFields } from "@/ui/pieces/NumberFields";
import { Columns, Section } from "@/ui/pieces/sheets";

/** What the game pad holds. */
export function PadSection() {
  const design = useDesign();
  const pad = design.reportSet.pad ?? usualPad;
  const shape = reportShapeOf(design);
  const axes = shape.axes.map(
    ({ axis, bothSides }) => `${padAxisNames[axis]}${bothSides ? "" : " (from its low end)"}`,
  );
  return (
    <Section title="Game pad">
      <Columns>
        <NumberFields
          schema={padSettingsSchema}
          lines={[
            { key: "buttons", label: "Buttons", unit: "" },
            { key: "axisBits", label: "Each axis", unit: "bits" },
          ]}
          values={pad}
          onCommit={(key, value) => edit("the game pad", (d) => setPad(d, { ...pad, [key]: value }))}
        />
      </Columns>
      <Checkbox
        label="A hat"
        checked={shape.hat}
        disabled={shape.hat && !pad.hat}
        onChange={(hat) => edit("the game pad's hat", (d) => setPad(d, { ...pad, hat }))}
      />
      {shape.buttons > pad.buttons && <Box>Bound further on: {shape.buttons} buttons are declared.</Box>}
      <Box>Axes: {axes.join(", ") || "none yet; give a stick or a pot one in Keymap"}.</Box>
      <Box fontSize="13px" color="var(--faint)">
        Buttons are told in this order and mean what a game takes them for. Sixteen are the most that many games ask
        for. Browsers know an arrangement of 17 named buttons (W3C), which they may not grant to numbers that they do
        not know; they then hand on what is here as it is.
      </Box>
    </Section>
  );
}
