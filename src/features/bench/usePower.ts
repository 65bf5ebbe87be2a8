import { useEffect, useRef } from "react";
import type { Design } from "@/core/document/schema";
import { holdSession, releaseAll, startSession, stopSession } from "@/store/session";
import type { StageView } from "../stageView";

const FIRST_SIGNS = ["pointermove", "pointerdown", "keydown", "focusin"] as const;

/** Calls back with the first sign of a person. @returns how to forget it */
function onFirstSign(act: () => void): () => void {
  const forget = () => FIRST_SIGNS.forEach((sign) => window.removeEventListener(sign, once, true));
  const once = () => {
    forget();
    act();
  };
  FIRST_SIGNS.forEach((sign) => window.addEventListener(sign, once, true));
  return forget;
}

/** The simulated device is powered where a stage is played on: at once, or, where there is more to read than to press, with the first sign of a hand. */
export function usePower({ mode, isReadFirst }: StageView, design: Design): void {
  const isLive = mode === "press";
  const isAwake = useRef(false);
  useEffect(() => {
    if (!isLive) return;
    const power = () => {
      isAwake.current = true;
      void startSession(design);
    };
    if (isReadFirst && !isAwake.current) return onFirstSign(power);
    power();
  }, [isLive, isReadFirst, design]);
  useEffect(() => {
    if (!isLive) return;
    window.addEventListener("blur", releaseAll);
    window.addEventListener("popstate", holdSession);
    return () => {
      window.removeEventListener("blur", releaseAll);
      window.removeEventListener("popstate", holdSession);
      isAwake.current = false;
      stopSession();
    };
  }, [isLive, isReadFirst]);
}
