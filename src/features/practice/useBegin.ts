import { useEffect, useRef, useState } from "react";
import type { PracticeSource } from "@/store/practiceInHand";
import { useSession } from "@/store/session";

/** Begins a bout: at once, or as soon as the device on the screen has its power. */
export function useBegin(source: PracticeSource, begin: () => void): { ask: () => void; isWaiting: boolean } {
  const running = useSession((state) => state.running);
  const isAwake = source === "device" || running;
  const [isWaiting, setWaiting] = useState(false);
  const latest = useRef(begin);
  useEffect(() => {
    latest.current = begin;
  });
  useEffect(() => {
    if (!isWaiting || !isAwake) return;
    setWaiting(false);
    latest.current();
  }, [isWaiting, isAwake]);
  return { ask: () => (isAwake ? begin() : setWaiting(true)), isWaiting };
}
