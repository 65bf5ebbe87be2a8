"use client";

import { Box } from "@chakra-ui/react";
import { derive } from "@/core/derived/derive";
import { setPadPort } from "@/core/edits/reportSet";
import { padPortOf } from "@/core/firmware/padPort";
import { scanTableOf } from "@/core/firmware/scanTable";
import { FREE, LOW, PORT_LENGTHS, type PadPortSettings, padPortSettingsSchema } from "@/core/hid/padPortSettings";
import { portAnswerUs, portDeadlineUs } from "@/core/timing/portAnswer";
import { edit, useDesign } from "@/store/bench";
import { ChoiceField } from "@/ui/pieces/fields";
import { NumberFields } from "@/ui/pieces/NumberFields";
import { Columns, Section } from "@/ui/pieces/sheets";

const rounded = (us: number) => Math.round(us * 10) / 10;

/** How a console reads the pad port: which switch stands at each bit, and its times. */
export function PadPortSection() {
  const design = useDesign();
  const port = padPortOf(design);
  if (!port) return null;
  const set = (change: Partial<PadPortSettings>) => edit("the pad port", (d) => setPadPort(d, { ...port, ...change }));
  const lengthen = (length: number) => set({ bits: Array.from({ length }, (_, nth) => port.bits[nth] ?? FREE) });
  const { elements, profile } = derive(design);
  const choices = [
    { value: FREE, label: "nothing (high)" },
    { value: LOW, label: "always low" },
    ...scanTableOf(design).switches.map((id) => ({ value: id, label: elements.get(id)?.label ?? id })),
  ];
  return (
    <Section title="Pad port">
      <Box fontSize="13px" color="var(--faint)">
        A latch pulse takes how all buttons stand; the first bit is there with it, and each clock edge brings the next
        one. Pressed is low. Which button stands where is told by your console&rsquo;s own papers, or by trying.
      </Box>
      <Columns>
        <ChoiceField
          label="Bits"
          value={String(port.bits.length)}
          choices={lengthChoices(port.bits.length)}
          onCommit={(length) => lengthen(Number(length))}
        />
        <ChoiceField
          label="Behind the last one"
          value={port.after}
          choices={[
            { value: "high", label: "high" },
            { value: "low", label: "low" },
          ]}
          onCommit={(after) => set({ after: after as PadPortSettings["after"] })}
        />
      </Columns>
      <Columns>
        {port.bits.map((bit, nth) => (
          <ChoiceField
            key={nth}
            label={`Bit ${nth + 1}`}
            value={bit}
            choices={choices.some(({ value }) => value === bit) ? choices : [...choices, { value: bit, label: "gone" }]}
            onCommit={(to) => set({ bits: port.bits.map((one, at) => (at === nth ? to : one)) })}
          />
        ))}
      </Columns>
      <Columns>
        <NumberFields
          schema={padPortSettingsSchema}
          lines={[
            { key: "latchUs", label: "Latch pulse", unit: "µs" },
            { key: "clockUs", label: "Clock period", unit: "µs" },
            { key: "everyMs", label: "Read every", unit: "ms" },
          ]}
          values={port}
          onCommit={(key, value) => set({ [key]: value })}
        />
      </Columns>
      {profile && (
        <Box fontSize="13px" color="var(--faint)">
          The console looks {rounded(portDeadlineUs(port.clockUs))} µs after an edge; at {profile.clockMhz} MHz the bit
          is there after about {rounded(portAnswerUs(profile.clockMhz))} µs.
        </Box>
      )}
    </Section>
  );
}

/** One register or two; another length only where a file brought it. */
const lengthChoices = (length: number) =>
  [...new Set([...PORT_LENGTHS, length])]
    .sort((a, b) => a - b)
    .map((bits) => ({ value: String(bits), label: bits === 16 ? "16, two registers in cascade" : String(bits) }));
