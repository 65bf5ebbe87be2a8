import { type KeyboardEvent, useEffect, useRef, useState } from "react";
import type { PracticeRun } from "@/core/practice/run";
import { TypingLog } from "@/core/practice/typingLog";
import { useDesign } from "@/store/bench";
import { newId } from "@/store/newId";
import { type PracticeSource } from "@/store/practiceInHand";
import { logRun } from "@/store/practiceRuns";
import { clearText, useSession } from "@/store/session";
import { useOwnKeys } from "@/store/ownKeys";

export interface Typing {
  /** What stands there. */
  text: string;
  /** The bout, once the line is full. */
  run: PracticeRun | null;
  onKeyDown: (event: KeyboardEvent) => void;
  onKeyUp: (event: KeyboardEvent) => void;
  onBlur: () => void;
}

/** Has a line typed: on the device on the screen, whose text is what the simulated computer shows, or on one on the cable. */
export function useTyping(presented: string, source: PracticeSource): Typing {
  const design = useDesign();
  const [typed, setTyped] = useState("");
  const [run, setRun] = useState<PracticeRun | null>(null);
  const log = useRef<TypingLog | null>(null);
  const sessionText = useSession((state) => state.text);
  useEffect(() => {
    log.current = new TypingLog(presented);
    setTyped("");
    setRun(null);
    clearText();
  }, [presented, source]);

  const shows = (text: string) => {
    const own = log.current;
    if (!own || own.isDone) return;
    own.shows(text, performance.now());
    setTyped(text);
    if (!own.isDone) return;
    const bout = own.run(newId(), new Date().toISOString());
    setRun(bout);
    void logRun(design.id, bout);
  };
  const latest = useRef(shows);
  useEffect(() => {
    latest.current = shows;
  });
  useEffect(() => {
    if (source === "screen" && (sessionText !== "" || log.current?.hasBegun)) latest.current(sessionText);
  }, [sessionText, source]);

  const onScreen = useOwnKeys();
  const onCable = (event: KeyboardEvent) => {
    if (event.key === "Tab" || event.ctrlKey || event.metaKey || event.altKey) return;
    event.preventDefault();
    event.stopPropagation();
    if (event.key === "Backspace") shows([...typed].slice(0, -1).join(""));
    else if (event.key === "Enter") shows(`${typed}\n`);
    else if ([...event.key].length === 1) shows(typed + event.key);
  };
  return {
    text: typed,
    run,
    onKeyDown: source === "screen" ? onScreen.onKeyDown : onCable,
    onKeyUp: source === "screen" ? onScreen.onKeyUp : () => {},
    onBlur: source === "screen" ? onScreen.onBlur : () => {},
  };
}
