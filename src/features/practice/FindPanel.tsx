"use client";

import { Box } from "@chakra-ui/react";
import { useEffect, useState } from "react";
import { useDesign } from "@/store/bench";
import { bringUpTasks } from "@/store/bringUpAside";
import { newId } from "@/store/newId";
import { wantNow } from "@/store/practiceInHand";
import { logRun } from "@/store/practiceRuns";
import { PlainButton, StepButton } from "@/ui/pieces/buttons";
import { SmallTable } from "@/ui/pieces/SmallTable";
import { Row } from "@/ui/pieces/sheets";
import type { BoutScore, TestListed } from "@/workers/bringUpTasks";
import { Finder } from "./Finder";
import { Measure } from "./TypePanel";

interface Bout {
  faultId: string;
  startedAt: number;
  made: { trial: TestListed; words: string; isGood: boolean }[];
}

interface Lists {
  tests: TestListed[];
  faults: { id: string; words: string }[];
}

/** One hidden fault: tests are chosen by the person, the fault is named, and the effort is set against the best line of tests. */
export function FindPanel() {
  const design = useDesign();
  const [lists, setLists] = useState<Lists | null>(null);
  const [bout, setBout] = useState<Bout | null>(null);
  const [score, setScore] = useState<BoutScore | null>(null);
  useEffect(() => {
    let isWanted = true;
    setLists(null);
    setBout(null);
    setScore(null);
    const tasks = bringUpTasks();
    void Promise.all([tasks.testList(design), tasks.faultList(design)]).then(
      ([tests, faults]) => isWanted && setLists({ tests, faults }),
    );
    return () => {
      isWanted = false;
    };
  }, [design]);
  const begin = async () => {
    const faultId = await bringUpTasks().drawFault(design, Date.now() & 0x7fffffff);
    setScore(null);
    if (faultId !== null) setBout({ faultId, startedAt: performance.now(), made: [] });
  };
  const make = async (trial: TestListed) => {
    if (!bout) return;
    wantNow(trial.controlIds, []);
    const came = await bringUpTasks().standInAnswer(design, [bout.faultId], trial.id);
    const told = came === null ? null : await bringUpTasks().cameWords(design, trial.id, came);
    if (told) setBout((now) => now && { ...now, made: [...now.made, { trial, ...told }] });
  };
  const name = async (namedId: string) => {
    if (!bout) return;
    const trialIds = bout.made.map(({ trial }) => trial.id);
    const told = await bringUpTasks().scoreBout(design, { faultId: bout.faultId, trialIds, namedId });
    if (!told) return;
    setScore(told);
    wantNow([], []);
    const { effort, best, isRight } = told;
    const seconds = (performance.now() - bout.startedAt) / 1000;
    const at = new Date().toISOString();
    await logRun(design.id, { id: newId(), at, sort: "find", seconds, of: {}, found: { effort, best, isRight } });
  };
  if (!lists)
    return (
      <Box padding="16px" role="status">
        Working out what may be wrong, and what each test would tell of it …
      </Box>
    );
  if (lists.faults.length === 0) return <Box padding="16px">There is nothing to test yet: wire the parts first.</Box>;
  return (
    <Box padding="14px 18px" display="flex" flexDirection="column" gap="12px">
      {!bout && (
        <div>
          The stand-in has one fault of {lists.faults.length} that there may be. Every test has its effort; the fewer
          you spend until you can name it, the better.
        </div>
      )}
      {bout && !score && (
        <>
          <Finder
            label="Make a test"
            items={lists.tests.map((test) => ({ ...test, words: `${test.title} (${test.effort})` }))}
            onPick={(test) => void make(test)}
          />
          <Made bout={bout} />
          <Finder label="It is" items={lists.faults} onPick={({ id }) => void name(id)} />
        </>
      )}
      {score && bout && <Scored score={score} />}
      <Row>
        {(!bout || score) && (
          <StepButton onClick={() => void begin()}>{score ? "Hide another" : "Hide a fault"}</StepButton>
        )}
        {bout && !score && <PlainButton onClick={() => void name("")}>I give up</PlainButton>}
      </Row>
    </Box>
  );
}

function Made({ bout: { made } }: { bout: Bout }) {
  const spent = made.reduce((sum, { trial }) => sum + trial.effort, 0);
  if (made.length === 0) return <Box color="var(--faint)">No test made yet.</Box>;
  return (
    <>
      <SmallTable
        label="Tests made"
        heads={["Test", "What came", "Effort"]}
        rows={made.map(({ trial, words, isGood }) => [
          trial.title,
          <Box key="came" whiteSpace="normal" fontFamily="body" color={isGood ? "var(--settled)" : "var(--stop)"}>
            {words}
          </Box>,
          trial.effort,
        ])}
      />
      <Box role="status" aria-label="Effort so far">
        Effort so far: {spent}
      </Box>
    </>
  );
}

function Scored({ score: { effort, best, isRight, was, group, tests } }: { score: BoutScore }) {
  return (
    <>
      <Box role="status" aria-label="How it went" fontWeight="700">
        {isRight ? "Right: " : "It was "}
        {was}.
      </Box>
      {group.length > 0 && (
        <Box fontSize="13px" color="var(--faint)">
          No test tells it from: {group.slice(0, 4).join("; ")}
          {group.length > 4 && ` and ${group.length - 4} more`}.
        </Box>
      )}
      <Box display="flex" gap="28px">
        <Measure name="your effort" value={String(effort)} />
        <Measure name="of the best line of tests" value={String(best)} />
      </Box>
      <details>
        <summary>The best line</summary>
        <ol>
          {tests.map(({ title, effort: own }, nth) => (
            <li key={nth}>
              {title} ({own})
            </li>
          ))}
        </ol>
      </details>
    </>
  );
}
