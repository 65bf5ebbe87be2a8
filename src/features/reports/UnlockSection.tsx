"use client";

import { Box } from "@chakra-ui/react";
import { derive } from "@/core/derived/derive";
import { scannedSwitches } from "@/core/firmware/scannedSwitches";
import { unlockChoices, unlockSwitches } from "@/core/firmware/unlock";
import { edit, useDesign } from "@/store/bench";
import { ChoiceField } from "@/ui/pieces/fields";
import { Columns, Section } from "@/ui/pieces/sheets";

/** Which two switches, held together, let a computer change what the keys do. */
export function UnlockSection() {
  const design = useDesign();
  const scan = scannedSwitches(design);
  const both = unlockSwitches(scan, design);
  const { elements } = derive(design);
  const choices = unlockChoices(scan).map((id) => ({ value: id, label: elements.get(id)?.label ?? id }));
  const choose = (unlock: string[]) =>
    edit("choose what unlocks live changes", (d) => ({ ...d, reportSet: { ...d.reportSet, unlock } }));
  return (
    <Section title="Live changes are unlocked by">
      {both ? (
        <>
          <Columns>
            <ChoiceField
              label="First key"
              value={both[0]}
              choices={choices.filter(({ value }) => value !== both[1])}
              onCommit={(id) => choose([id, both[1]])}
            />
            <ChoiceField
              label="Second key"
              value={both[1]}
              choices={choices.filter(({ value }) => value !== both[0])}
              onCommit={(id) => choose([both[0], id])}
            />
          </Columns>
          <Box color="var(--faint)" fontSize="13px">
            Held together for two seconds, they let the computer change the keymap for two minutes.
          </Box>
        </>
      ) : (
        <Box fontSize="13px">
          It takes two keys or buttons that go back by themselves; this device has fewer, so it stays locked.
        </Box>
      )}
    </Section>
  );
}
