import { type RefObject, useEffect, useRef } from "react";

/** Two fingers on the glass: how far apart they are, and the point between them, in pixels of the window. */
interface Grasp {
  apart: number;
  x: number;
  y: number;
}

const graspOf = ([a, b]: PointerEvent[]): Grasp => ({
  apart: Math.max(1, Math.hypot(a.clientX - b.clientX, a.clientY - b.clientY)),
  x: (a.clientX + b.clientX) / 2,
  y: (a.clientY + b.clientY) / 2,
});

/** Tells by which factor two fingers have moved apart since they were last heard, and where between them. */
export function usePinch(
  target: RefObject<SVGSVGElement | null>,
  enabled: boolean,
  onPinch: (factor: number, xPx: number, yPx: number) => void,
): void {
  const newest = useRef(onPinch);
  useEffect(() => void (newest.current = onPinch));
  useEffect(() => {
    const element = target.current;
    if (!element || !enabled) return;
    const fingers = new Map<number, PointerEvent>();
    const grasp = () => (fingers.size === 2 ? graspOf([...fingers.values()]) : null);
    const put = (event: PointerEvent) => {
      if (event.pointerType === "touch") fingers.set(event.pointerId, event);
    };
    const move = (event: PointerEvent) => {
      if (!fingers.has(event.pointerId)) return;
      const before = grasp();
      fingers.set(event.pointerId, event);
      const now = grasp();
      if (before && now) newest.current(now.apart / before.apart, now.x, now.y);
    };
    const lift = (event: PointerEvent) => void fingers.delete(event.pointerId);
    const heard = [
      ["pointerdown", put],
      ["pointermove", move],
      ["pointerup", lift],
      ["pointercancel", lift],
    ] as const;
    for (const [name, listener] of heard) element.addEventListener(name, listener);
    return () => heard.forEach(([name, listener]) => element.removeEventListener(name, listener));
  }, [target, enabled]);
}
