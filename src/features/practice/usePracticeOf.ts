import { useEffect, useMemo, useState } from "react";
import type { Design } from "@/core/document/schema";
import type { HostLanguage } from "@/core/languages/hostLanguage";
import { type Known, officeKeyboard, underHandOf } from "@/core/practice/before";
import { type Lesson, lessonsOf } from "@/core/practice/lessons";
import { type Way, waysOf } from "@/core/practice/ways";
import { useDesign } from "@/store/bench";
import { frozenDesign } from "@/store/comparison";
import { loadLanguage } from "@/store/hostLanguages";
import { usePractice } from "@/store/practiceInHand";

export interface PracticeOf {
  language: HostLanguage;
  ways: Map<string, Way>;
  lessons: Lesson[];
  /** The lesson in hand; null where nothing can be typed. */
  lesson: Lesson | null;
}

const NOTHING_KNOWN: Known = new Map();

/** The language of the design's computer; null until its table is there. */
function useLanguage({ keymap: { hostLanguage } }: Design): HostLanguage | null {
  const [language, setLanguage] = useState<HostLanguage | null>(null);
  useEffect(() => {
    let isWanted = true;
    void loadLanguage(hostLanguage).then((loaded) => isWanted && setLanguage(loaded));
    return () => {
      isWanted = false;
    };
  }, [hostLanguage]);
  return language?.id === hostLanguage ? language : null;
}

/** What the hands know: of a frozen revision once it was read. */
function useKnown(design: Design, language: HostLanguage | null): Known {
  const before = usePractice((state) => state.before);
  const [frozen, setFrozen] = useState<Design | null>(null);
  const { id } = design;
  const isRevision = before !== "office" && before !== "nothing";
  useEffect(() => {
    let isWanted = true;
    if (!isRevision) setFrozen(null);
    else void frozenDesign(id, before).then((found) => isWanted && setFrozen(found));
    return () => {
      isWanted = false;
    };
  }, [id, before, isRevision]);
  return useMemo(() => {
    if (!language || before === "nothing") return NOTHING_KNOWN;
    if (isRevision) return frozen ? underHandOf(frozen, language) : NOTHING_KNOWN;
    return officeKeyboard(language);
  }, [language, before, isRevision, frozen]);
}

/** What can be learnt on the design in hand; null until its language is there. */
export function usePracticeOf(): PracticeOf | null {
  const design = useDesign();
  const language = useLanguage(design);
  const known = useKnown(design, language);
  const lessonId = usePractice((state) => state.lessonId);
  return useMemo(() => {
    if (!language) return null;
    const lessons = lessonsOf(design, language, known);
    const lesson = lessons.find(({ id }) => id === lessonId) ?? lessons[0] ?? null;
    return { language, ways: waysOf(design, language), lessons, lesson };
  }, [design, language, known, lessonId]);
}
