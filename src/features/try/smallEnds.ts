import type { Control } from "@/core/catalogue/kinds";
import { movableEnds } from "@/core/engine/movable";

/** Whether it has ends that are hard to find on the mat: it turns, or has several contacts. */
export const hasSmallEnds = (control: Control): boolean => {
  const ends = movableEnds(control);
  return ends.length > 1 || ends.some(({ kind }) => kind === "quadrature");
};
