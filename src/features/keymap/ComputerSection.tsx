"use client";

import { setHostLanguage } from "@/core/edits/keymap";
import { languageList } from "@/core/languages/languageList";
import { edit } from "@/store/bench";
import { LanguageField } from "@/ui/pieces/LanguageField";
import { Section } from "@/ui/pieces/sheets";
import { useKeymap } from "./useKeymap";

/** What the device will be plugged into: the same keys type other signs there. */
export function ComputerSection() {
  const { design } = useKeymap();
  return (
    <Section title="The computer">
      <LanguageField
        label="Its keyboard language"
        value={design.keymap.hostLanguage}
        onCommit={(id) => id && edit(`a computer set to ${languageList[id].title}`, (d) => setHostLanguage(d, id))}
      />
    </Section>
  );
}
