"use client";

import { Box } from "@chakra-ui/react";
import { byFinger, errorShare, meanMs } from "@/core/practice/history";
import { fingersOf } from "@/core/reach/reach";
import { counted } from "@/core/words";
import { useDesign } from "@/store/bench";
import { forgetPractice } from "@/store/practiceRuns";
import { PlainButton } from "@/ui/pieces/buttons";
import { Row, Section, Values } from "@/ui/pieces/sheets";
import { SmallTable } from "@/ui/pieces/SmallTable";
import { type History, useHistory } from "./useHistory";
import { usePracticeOf } from "./usePracticeOf";

/** What the days came to, and which fingers are slow or wrong. */
export function DaysTab() {
  const { id } = useDesign();
  const history = useHistory();
  if (!history) return <Section title="Days">Reading what was practised …</Section>;
  if (history.runs.length === 0)
    return <Section title="Days">Nothing was practised yet. Each bout in Drill stands here by its day.</Section>;
  const { days, runs } = history;
  const minutes = days.reduce((sum, day) => sum + day.minutes, 0);
  const typed = days.filter(({ wordsPerMinute }) => wordsPerMinute !== null);
  return (
    <>
      <Section title="All together">
        <Values
          rows={[
            ["days", days.length],
            ["bouts", runs.length],
            ["minutes", minutes.toFixed(0)],
            ...(typed.length > 0
              ? ([
                  ["words a minute, first day", typed[0].wordsPerMinute!.toFixed(1)],
                  ["words a minute, last day", typed.at(-1)!.wordsPerMinute!.toFixed(1)],
                ] as [string, string][])
              : []),
          ]}
        />
      </Section>
      <FingerSection history={history} />
      <FaultSection history={history} />
      <Section title="Record">
        <Box fontSize="13px" color="var(--faint)">
          {counted(runs.length, "bout")} {runs.length === 1 ? "lies" : "lie"} in this browser beside the design; the
          archive in Export takes them along.
        </Box>
        <Row>
          <PlainButton onClick={() => void forgetPractice(id)}>Forget all practice on it</PlainButton>
        </Row>
      </Section>
    </>
  );
}

function FingerSection({ history: { signs } }: { history: History }) {
  const design = useDesign();
  const practice = usePracticeOf();
  if (!practice || signs.size === 0) return null;
  const fingers = fingersOf(design);
  const tallies = byFinger(signs, (sign) => fingers.get(practice.ways.get(sign)?.controlId ?? ""));
  if (tallies.size === 0)
    return (
      <Section title="Fingers">
        Say in Layout, under Reach, where the fingers rest: then it is known which one types what.
      </Section>
    );
  return (
    <Section title="Fingers">
      <SmallTable
        label="By finger"
        heads={["Finger", "signs", "wrong", "ms"]}
        rows={[...tallies]
          .sort(([, a], [, b]) => errorShare(b) - errorShare(a))
          .map(([finger, tally]) => [
            finger,
            tally.tries,
            `${(100 * errorShare(tally)).toFixed(0)} %`,
            meanMs(tally)?.toFixed(0) ?? "",
          ])}
      />
    </Section>
  );
}

function FaultSection({ history: { runs } }: { history: History }) {
  const found = runs.flatMap((run) => run.found ?? []);
  if (found.length === 0) return null;
  const effort = found.reduce((sum, one) => sum + one.effort, 0);
  const best = found.reduce((sum, one) => sum + one.best, 0);
  return (
    <Section title="Faults looked for">
      <Values
        rows={[
          ["named right", `${found.filter(({ isRight }) => isRight).length} of ${found.length}`],
          ["effort against the best line", best === 0 ? "none wanted" : `${(effort / best).toFixed(2)} ×`],
        ]}
      />
    </Section>
  );
}
