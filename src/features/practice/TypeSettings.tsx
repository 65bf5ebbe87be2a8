"use client";

import { Box, chakra } from "@chakra-ui/react";
import { useId, useState } from "react";
import { derive } from "@/core/derived/derive";
import { revisionsOf } from "@/core/journal/revisions";
import { fingersOf } from "@/core/reach/reach";
import type { Way } from "@/core/practice/ways";
import { listed } from "@/core/words";
import { useDesign } from "@/store/bench";
import { bareCaps, useHand } from "@/store/hand";
import {
  type TextSource,
  askWhere,
  bringText,
  chooseLesson,
  chooseText,
  knowFrom,
  lightNext,
  usePractice,
} from "@/store/practiceInHand";
import { PlainButton } from "@/ui/pieces/buttons";
import { Checkbox, ChoiceField } from "@/ui/pieces/fields";
import { Row, Section } from "@/ui/pieces/sheets";
import { TextArea } from "@/ui/pieces/TextArea";
import { usePracticeOf } from "./usePracticeOf";

/** What is typed, against what the hands know, and how much of it is shown. */
export function TypeSettings() {
  const design = useDesign();
  const practice = usePracticeOf();
  const { text, before, isLit } = usePractice();
  const hasBareCaps = useHand((state) => state.hasBareCaps);
  if (!practice) return null;
  const { lessons, lesson } = practice;
  return (
    <>
      <Section title="Text">
        <ChoiceField
          label="Type"
          value={text}
          choices={[
            { value: "lesson", label: "the lesson" },
            { value: "passage", label: "a passage" },
            { value: "own", label: "a text of my own" },
          ]}
          onCommit={(one) => chooseText(one as TextSource)}
        />
        {text === "lesson" && lesson && (
          <>
            <ChoiceField
              label="Lesson"
              value={lesson.id}
              choices={lessons.map(({ id, title, signs }) => ({
                value: id,
                label: `${title}: ${signs.slice(0, 6).join(" ")}`,
              }))}
              onCommit={chooseLesson}
            />
            <Box fontSize="13px" color="var(--faint)">
              {lesson.why}
            </Box>
            <ChoiceField
              label="The hands know"
              value={before}
              choices={[
                { value: "office", label: "the usual office keyboard" },
                { value: "nothing", label: "nothing yet" },
                ...revisionsOf(design).map(({ id, text: name }) => ({ value: id, label: name || "a frozen revision" })),
              ]}
              onCommit={knowFrom}
            />
          </>
        )}
        {text === "own" && <OwnText />}
      </Section>
      <Section title="Help">
        <Checkbox label="Legends on the caps" checked={!hasBareCaps} onChange={(isShown) => bareCaps(!isShown)} />
        <Checkbox label="The next key is lit" checked={isLit} onChange={lightNext} />
        <WhereField ways={practice.ways} />
      </Section>
    </>
  );
}

const MOST_TEXT = 20_000;

function OwnText() {
  const ownText = usePractice((state) => state.ownText);
  const [draft, setDraft] = useState(ownText);
  return (
    <>
      <TextArea label="Text of my own" rows={5} value={draft} maxLength={MOST_TEXT} onChange={setDraft} />
      <Row>
        <PlainButton onClick={() => bringText(draft)} disabled={draft === ownText}>
          Take it
        </PlainButton>
      </Row>
    </>
  );
}

/** "Where is m?": the key lights on the mat, and how it is reached stands here. */
function WhereField({ ways }: { ways: Map<string, Way> }) {
  const design = useDesign();
  const where = usePractice((state) => state.where);
  const id = useId();
  const way = ways.get(where);
  const words = () => {
    if (where === "") return "";
    if (!way) return `No key types ${where}.`;
    const { controls, inputs } = derive(design);
    const labels = new Map(inputs.map((input) => [input.id, controls.get(input.controlId)?.label ?? input.label]));
    const finger = fingersOf(design).get(way.controlId);
    const held = way.heldIds.map((one) => labels.get(one) ?? one);
    return [
      `On ${controls.get(way.controlId)?.label ?? "a key"}`,
      finger ? `with the ${finger}` : "",
      held.length > 0 ? `while ${listed(held)} ${held.length === 1 ? "is" : "are"} held` : "",
    ]
      .filter(Boolean)
      .join(", ")
      .concat(".");
  };
  return (
    <div>
      <label htmlFor={id}>
        <Box fontSize="13px" fontWeight="500" color="var(--faint)" marginBottom="2px">
          Where is
        </Box>
      </label>
      <chakra.input
        id={id}
        width="64px"
        height="30px"
        padding="0 8px"
        fontFamily="mono"
        border="1px solid var(--edge)"
        borderRadius="3px"
        bg="var(--sheet)"
        value={where}
        onChange={(event) => askWhere([...event.target.value].at(-1) ?? "")}
      />
      <Box role="status" aria-label="Where it is" minHeight="21px">
        {words()}
      </Box>
    </div>
  );
}
