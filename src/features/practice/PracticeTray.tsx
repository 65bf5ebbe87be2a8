"use client";

import { Box } from "@chakra-ui/react";
import { useEffect } from "react";
import type { DrillSort } from "@/core/practice/run";
import { useDesign } from "@/store/bench";
import {
  type PracticeSource,
  type PracticeTab,
  chooseDrill,
  openPracticeTab,
  practiseOn,
  readCaution,
  readPracticeSettings,
  usePractice,
} from "@/store/practiceInHand";
import { readRuns } from "@/store/practiceRuns";
import { PlainButton } from "@/ui/pieces/buttons";
import { ChoiceField } from "@/ui/pieces/fields";
import { Section } from "@/ui/pieces/sheets";
import { Tabs } from "@/ui/pieces/Tabs";
import { later } from "@/ui/pieces/later";
import { drillWords } from "./drillWords";
import { PauseNote } from "./PauseNote";
import { drillsOf, useDrill } from "./drills";

const TypeSettings = later(() => import("./TypeSettings").then((m) => m.TypeSettings));
const DaysTab = later(() => import("./DaysTab").then((m) => m.DaysTab));
const AdviceTab = later(() => import("./AdviceTab").then((m) => m.AdviceTab));

const TABS: { id: PracticeTab; title: string }[] = [
  { id: "drill", title: "Drill" },
  { id: "days", title: "Days" },
  { id: "advice", title: "Advice" },
];

/** What to practise, how it went, and what should change on the device instead. */
export function PracticeTray() {
  const { id } = useDesign();
  const tab = usePractice((state) => state.tab);
  useEffect(() => void readPracticeSettings(), []);
  useEffect(() => void readRuns(id), [id]);
  return (
    <Tabs label="Sheets of practice" tabs={TABS} open={tab} onOpen={openPracticeTab}>
      {tab === "drill" && <DrillTab />}
      {tab === "days" && <DaysTab />}
      {tab === "advice" && <AdviceTab />}
    </Tabs>
  );
}

function DrillTab() {
  const design = useDesign();
  const drill = useDrill();
  const { source, isTyping } = usePractice();
  const drills = drillsOf(design);
  if (!drill)
    return (
      <Section title="Drill">
        There is nothing to practise on yet: place parts in Layout, wire them, and say in Keymap what they do.
      </Section>
    );
  return (
    <>
      <PauseNote />
      <Section title="Drill">
        <ChoiceField
          label="What"
          value={drill}
          choices={drills.map((one) => ({ value: one, label: drillWords[one] }))}
          onCommit={(one) => chooseDrill(one as DrillSort)}
        />
        {drill !== "find" && (
          <ChoiceField
            label="On"
            value={source}
            choices={[
              { value: "screen", label: "the device on the screen" },
              { value: "device", label: "the device on the cable" },
            ]}
            onCommit={(one) => practiseOn(one as PracticeSource)}
          />
        )}
        <Box fontSize="13px" color="var(--faint)">
          {SOURCE_WORDS[drill === "find" ? "find" : source]}
        </Box>
      </Section>
      {drill === "type" && isTyping && <TypeSettings />}
      <CautionNote />
    </>
  );
}

const SOURCE_WORDS = {
  screen: "Press the keys on the mat. Keys of your own keyboard press the device’s key that is bound to them.",
  device: "What it types, and its game pad buttons, come as from any keyboard or pad. Nothing is asked of the browser.",
  find: "The stand-in has one fault that nobody names. Choose tests, read what comes, and say what it is.",
};

/** Said once, and not again when it was read. */
function CautionNote() {
  const isRead = usePractice((state) => state.isCautionRead);
  if (isRead) return null;
  return (
    <Section title="Mind your hands">
      <Box borderLeft="3px solid var(--stop)" paddingLeft="8px">
        Short bouts, often, teach more than a long one. Keep wrists straight and shoulders low; stop when anything
        tingles or hurts, and if it stays, see a doctor before you go on.
      </Box>
      <div>
        <PlainButton onClick={readCaution}>Understood</PlainButton>
      </div>
    </Section>
  );
}
