"use client";

import { Box } from "@chakra-ui/react";
import { edit, useDesign } from "@/store/bench";
import { ChoiceField } from "@/ui/pieces/fields";
import { Section } from "@/ui/pieces/sheets";

const SIX = "six";
const EVERY = "every";

/** How many keys at once the keyboard's report tells. */
export function KeyboardSection() {
  const { everyKey } = useDesign().reportSet;
  const take = (value: string) =>
    edit("keys told at once", (d) => ({ ...d, reportSet: { ...d.reportSet, everyKey: value === EVERY || undefined } }));
  return (
    <Section title="Keyboard">
      <ChoiceField
        label="Keys told at once"
        value={everyKey ? EVERY : SIX}
        choices={[
          { value: SIX, label: "six, in the boot layout" },
          { value: EVERY, label: "every key, in bits behind the six" },
        ]}
        onCommit={take}
      />
      <Box fontSize="13px" color="var(--faint)">
        {everyKey
          ? "36 bytes. Start-up screens read the first eight, as HID 1.11 has it, and see six keys. A few take no report that is longer: if yours stays deaf, choose six."
          : "8 bytes, which every computer and every start-up screen reads. A seventh key at once says only that there are too many: enough for typing, not for some games or for chords."}
      </Box>
    </Section>
  );
}
