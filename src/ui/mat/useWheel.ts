import { type RefObject, useEffect, useRef } from "react";

/** The wheel over an element, kept from scrolling or enlarging the page around it. */
export function useWheel(target: RefObject<SVGSVGElement | null>, onWheel: (event: WheelEvent) => void): void {
  const newest = useRef(onWheel);
  useEffect(() => void (newest.current = onWheel));
  useEffect(() => {
    const element = target.current;
    if (!element) return;
    const turn = (event: WheelEvent) => {
      event.preventDefault();
      newest.current(event);
    };
    // React listens passively, which could not keep the page still.
    element.addEventListener("wheel", turn, { passive: false });
    return () => element.removeEventListener("wheel", turn);
  }, [target]);
}
