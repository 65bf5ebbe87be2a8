"use client";

import { Box } from "@chakra-ui/react";
import { useState } from "react";
import { type Stage, stageIds } from "@/core/document/stageIds";
import { nextRevisionName, openRegrets } from "@/core/journal/revisions";
import { useDesign } from "@/store/bench";
import { beginNextRevision } from "@/store/freezing";
import { StepButton } from "@/ui/pieces/buttons";
import { Checkbox, ChoiceField } from "@/ui/pieces/fields";
import { Row, Section } from "@/ui/pieces/sheets";
import { orTell } from "./orTell";
import { stageWords } from "./stageWords";

/** The next revision starts from what is regretted of this one. */
export function NextSection() {
  const design = useDesign();
  const regrets = openRegrets(design);
  const [left, setLeft] = useState<string[]>([]);
  const [stages, setStages] = useState<Record<string, Stage>>({});
  const [isNew, setNew] = useState(true);
  if (regrets.length === 0)
    return (
      <Section title="The next revision">
        <div>
          It starts from what is regretted. Note what the next one should have or not have as a regret in Entries, and
          it becomes a task here.
        </div>
      </Section>
    );
  const taken = regrets.filter(({ id }) => !left.includes(id));
  const stageOf = (id: string, own?: Stage) => (Object.hasOwn(stages, id) ? stages[id] : (own ?? "layout"));
  const begin = () =>
    orTell(
      beginNextRevision({
        name: nextRevisionName(design),
        tasks: new Map(taken.map(({ id, stage }) => [id, stageOf(id, stage)])),
        isNew,
      }),
    );
  return (
    <Section title="The next revision">
      <div>This one is frozen; each regret that you tick becomes a task in the stage where it is mended.</div>
      {regrets.map(({ id, text, stage }) => (
        <Box key={id} display="grid" gridTemplateColumns="1fr 104px" gap="8px" alignItems="start">
          <Checkbox
            label={text || "without words"}
            checked={!left.includes(id)}
            onChange={(isTaken) => setLeft(isTaken ? left.filter((one) => one !== id) : [...left, id])}
          />
          <ChoiceField
            label={`Stage for: ${text}`}
            hideLabel
            value={stageOf(id, stage)}
            choices={stageIds.map((one) => ({ value: one, label: stageWords[one] }))}
            onCommit={(one) => setStages({ ...stages, [id]: one as Stage })}
          />
        </Box>
      ))}
      <Checkbox
        label="Nothing of it is built yet: steps, wires and tests begin anew"
        checked={isNew}
        onChange={setNew}
      />
      <Row>
        <StepButton onClick={begin}>Begin the next revision</StepButton>
      </Row>
    </Section>
  );
}
