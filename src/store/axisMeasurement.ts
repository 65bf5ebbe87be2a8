import { useEffect, useState } from "react";
import { type AxisMeasurement, percentOfTrack } from "@/core/analog/measuredAxis";
import { scanTableOf } from "@/core/firmware/scanTable";
import { useDesign } from "./bench";
import { sensorsOnDevice } from "./liveDevice";
import { useLiveDevice } from "./liveState";

const POLL_MS = 50;
/** Readings at rest: a second of them. */
const AT_REST = 20;

/** First nothing is measured, then where it rests, then where it is moved to. */
export type AxisPhase = "nothing" | "rest" | "moved";
const NONE: AxisMeasurement = { rest: [], moved: [] };

export interface AxisMeasuring {
  phase: AxisPhase;
  setPhase: (next: AxisPhase) => void;
  seen: AxisMeasurement;
  /** Why it ended, in words. */
  trouble: string;
  /** The firmware that is talked to reads this axis: it has something to do, and is not on a part with a chip of its own. */
  isRead: boolean;
}

/** Asks the device again and again; of what was seen while it moves the farthest are kept, and the last. */
export function useAxisMeasurement(wiperId: string): AxisMeasuring {
  const design = useDesign();
  const { on } = useLiveDevice();
  const [phase, setPhaseOnly] = useState<AxisPhase>("nothing");
  const [seen, setSeen] = useState(NONE);
  const [trouble, setTrouble] = useState("");
  const nth = scanTableOf(design).sensors.indexOf(wiperId);
  const setPhase = (next: AxisPhase) => {
    setPhaseOnly(next);
    setSeen(NONE);
    setTrouble("");
  };
  useEffect(() => {
    if (phase === "nothing" || on === null || nth < 0) return;
    let isOver = false;
    const isRest = phase === "rest";
    const take = (reading: number) =>
      setSeen((before) =>
        isRest
          ? { ...before, rest: [...before.rest, reading] }
          : { ...before, moved: [Math.min(reading, ...before.moved), Math.max(reading, ...before.moved), reading] },
      );
    const follow = async () => {
      for (let came = 0; !isRest || came < AT_REST;) {
        const readings = await sensorsOnDevice(nth + 1);
        if (isOver) return;
        if (readings) {
          came++;
          take(percentOfTrack(readings[nth]));
        }
        await new Promise((resolve) => setTimeout(resolve, POLL_MS));
        if (isOver) return;
      }
      setPhaseOnly("moved");
    };
    follow().catch((problem: unknown) => {
      if (isOver) return;
      setTrouble(problem instanceof Error ? problem.message : String(problem));
      setPhaseOnly("nothing");
    });
    return () => {
      isOver = true;
    };
  }, [phase, on, nth]);
  return { phase, setPhase, seen, trouble, isRead: nth >= 0 };
}
