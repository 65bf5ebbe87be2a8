"use client";

import { Box } from "@chakra-ui/react";
import { useEffect, useMemo, useRef } from "react";
import { typedBy } from "@/core/bindings";
import type { Design } from "@/core/document/schema";
import type { Way } from "@/core/practice/ways";
import { derive } from "@/core/derived/derive";
import { drillText } from "@/core/practice/drillText";
import { addedUp, needOf } from "@/core/practice/history";
import { ownPassages } from "@/core/practice/ownWords";
import type { PracticeRun } from "@/core/practice/run";
import { type TypingMeasures, measuresFrom } from "@/core/practice/typingMeasures";
import { useDesign } from "@/store/bench";
import { nextLine, usePractice, wantNow } from "@/store/practiceInHand";
import { usePracticeRuns } from "@/store/practiceRuns";
import { StepButton } from "@/ui/pieces/buttons";
import { Row } from "@/ui/pieces/sheets";
import { type PracticeOf, usePracticeOf } from "./usePracticeOf";
import { useTyping } from "./useTyping";

const LINE_SIGNS = 60;
const OWN_LINE_SIGNS = 160;

/** A piece of a long text, whole words, the next one with each line. */
function pieceOf(text: string, nth: number): string {
  const words = text.split(/\s+/).filter(Boolean);
  const lines: string[] = [];
  for (const word of words) {
    const last = lines.at(-1);
    if (last === undefined || last.length + word.length + 1 > OWN_LINE_SIGNS) lines.push(word);
    else lines[lines.length - 1] = `${last} ${word}`;
  }
  return lines.length === 0 ? "" : lines[nth % lines.length];
}

/** The line to type, with the signs that no key types left out. */
function useLine({ lesson, ways }: PracticeOf): { line: string; left: number } {
  const { text, ownText, seed } = usePractice();
  const runs = usePracticeRuns((state) => state.runs);
  // A line is drawn by what was known when it began: it does not change under the fingers.
  const known = useRef(runs);
  useEffect(() => {
    known.current = runs;
  });
  const isRead = runs !== null;
  return useMemo(() => {
    const need = needOf(addedUp((known.current ?? []).filter(({ sort }) => sort === "type")));
    const whole =
      text === "own"
        ? pieceOf(ownText, seed - 1)
        : text === "passage"
          ? ownPassages[(seed - 1) % ownPassages.length]
          : lesson
            ? drillText({ signs: lesson.signs, also: lesson.also, need, seed, length: LINE_SIGNS })
            : "";
    const signs = [...whole].filter((sign) => ways.has(sign));
    return { line: signs.join("").trim(), left: [...whole].length - signs.length };
    // eslint-disable-next-line react-hooks/exhaustive-deps -- a line that was read anew begins anew
  }, [text, ownText, seed, lesson, ways, isRead]);
}

/** A line to type, and how it went. */
export function TypePanel() {
  const practice = usePracticeOf();
  const runs = usePracticeRuns((state) => state.runs);
  if (!practice || runs === null) return <Box padding="16px">Fetching the lessons …</Box>;
  return <Line practice={practice} />;
}

function Line({ practice }: { practice: PracticeOf }) {
  const design = useDesign();
  const { source, isLit, where, text: kind } = usePractice();
  const { line, left } = useLine(practice);
  const typing = useTyping(line, source);
  const box = useRef<HTMLDivElement>(null);
  const { text, run } = typing;
  const next = nextSign(line, text);
  useEffect(() => {
    const sign = where !== "" ? where : isLit && !run ? next : undefined;
    const way = sign === undefined ? undefined : sign === TAKE_BACK ? backOf(design) : practice.ways.get(sign);
    const { inputs } = derive(design);
    const held = way ? inputs.filter(({ id }) => way.heldIds.includes(id)).map(({ controlId }) => controlId) : [];
    wantNow(way ? [way.controlId] : [], held);
  }, [next, where, isLit, run, practice, design]);
  useEffect(() => box.current?.focus(), [line]);
  if (line === "")
    return (
      <Box padding="16px">
        {kind === "own"
          ? "There is no text of your own yet: paste one in the tray and take it."
          : "This keymap types nothing that could be practised: bind letters in Keymap first."}
      </Box>
    );
  const goOn = () => {
    nextLine();
    box.current?.focus();
  };
  return (
    <Box padding="14px 18px" display="flex" flexDirection="column" gap="10px">
      <Box
        ref={box}
        role="textbox"
        data-own-keys=""
        aria-label="Line to type"
        aria-multiline="true"
        aria-readonly="true"
        aria-describedby="typed-so-far"
        tabIndex={0}
        padding="12px 14px"
        bg="var(--paper)"
        border="1px solid var(--edge)"
        fontFamily="mono"
        fontSize="20px"
        lineHeight="1.6"
        whiteSpace="pre-wrap"
        overflowWrap="anywhere"
        onKeyDown={(event) => (run && event.key === "Enter" ? goOn() : typing.onKeyDown(event))}
        onKeyUp={typing.onKeyUp}
        onBlur={typing.onBlur}
      >
        <Signs line={line} text={text} />
      </Box>
      <Box id="typed-so-far" fontSize="13px" color="var(--faint)">
        {run ? "Enter goes on." : "Click into the line and type; take back what is wrong. Tab leaves."}
        {left > 0 &&
          ` ${left === 1 ? "One sign is" : `${left} signs are`} left out: no key types ${left === 1 ? "it" : "them"}.`}
      </Box>
      {run && (
        <>
          <Result run={run} />
          <Row>
            <StepButton onClick={goOn}>Next line</StepButton>
          </Row>
        </>
      )}
    </Box>
  );
}

/** The sign that is wanted now; where something wrong stands, it is taking that away, which no layout moves. */
function nextSign(line: string, text: string): string | undefined {
  const [wanted, there] = [[...line], [...text]];
  const wrong = there.findIndex((sign, nth) => sign !== wanted[nth]);
  return wrong < 0 ? wanted[there.length] : TAKE_BACK;
}

const TAKE_BACK = "\b";
const BACKSPACE = 0x2a;

/** The key that takes a sign away, where the base layer has one. */
function backOf(design: Design): Pick<Way, "controlId" | "heldIds"> | undefined {
  const { bindings } = design.keymap.layers[0];
  const input = derive(design).inputs.find(
    ({ id }) => Object.hasOwn(bindings, id) && typedBy(bindings[id])?.usage === BACKSPACE,
  );
  return input && { controlId: input.controlId, heldIds: [] };
}

function Signs({ line, text }: { line: string; text: string }) {
  const [wanted, there] = [[...line], [...text]];
  const rest = there.slice(wanted.length).join("");
  return (
    <>
      {wanted.map((sign, nth) => {
        const isTyped = nth < there.length;
        const isRight = there[nth] === sign;
        const isNext = nth === there.length;
        return (
          <Box
            as="span"
            key={nth}
            color={isTyped ? (isRight ? "var(--settled)" : "var(--stop)") : "var(--ink)"}
            textDecoration={isTyped && !isRight ? "underline" : undefined}
            bg={isNext ? "color-mix(in srgb, var(--saffron) 45%, transparent)" : undefined}
          >
            {isTyped && !isRight && sign === " " ? "␣" : sign}
          </Box>
        );
      })}
      {rest && (
        <Box as="span" color="var(--stop)" textDecoration="underline">
          {rest}
        </Box>
      )}
    </>
  );
}

const percent = (share: number) => `${(100 * share).toFixed(1)} %`;

function Result({ run: { typed, seconds, of } }: { run: PracticeRun }) {
  const measures: TypingMeasures = measuresFrom({ ...typed!, seconds });
  const worst = Object.entries(of)
    .filter(([, { errors }]) => errors > 0)
    .sort(([, a], [, b]) => b.errors - a.errors)
    .slice(0, 5);
  return (
    <Box role="status" aria-label="How it went" display="flex" gap="28px" flexWrap="wrap">
      <Measure name="words a minute" value={measures.wordsPerMinute.toFixed(1)} />
      <Measure name="errors in all" value={percent(measures.totalErrors)} />
      <Measure name="of them left standing" value={percent(measures.uncorrectedErrors)} />
      <Measure name="keystrokes a sign" value={measures.keystrokesPerSign.toFixed(2)} />
      {worst.length > 0 && (
        <Measure name="wrong" value={worst.map(([sign]) => (sign === " " ? "space" : sign)).join(" ")} />
      )}
    </Box>
  );
}

export function Measure({ name, value }: { name: string; value: string }) {
  return (
    <div>
      <Box fontFamily="mono" fontSize="20px" fontWeight="700">
        {value}
      </Box>
      <Box fontSize="13px" color="var(--faint)">
        {name}
      </Box>
    </div>
  );
}
