import { type ReactNode, createContext, useContext } from "react";

/** Whether the mat shows the solder side, where everything is mirrored. */
export const FlippedContext = createContext(false);

interface UprightProps {
  x: number;
  y: number;
  rotationDeg?: number;
  children: ReactNode;
}

/** Words on the mat stay readable when the drawing around them is mirrored. */
export function Upright({ x, y, rotationDeg = 0, children }: UprightProps) {
  const flipped = useContext(FlippedContext);
  const turn = rotationDeg === 0 ? "" : ` rotate(${rotationDeg})`;
  return <g transform={`translate(${x} ${y})${turn}${flipped ? " scale(-1 1)" : ""}`}>{children}</g>;
}
