import type { ReactNode } from "react";
import { Bench } from "@/features/bench/Bench";

/** The bench stays as it is while the stages change, so the mat is never redrawn from nothing. */
export default function BenchLayout({ children }: { children: ReactNode }) {
  return (
    <>
      <Bench />
      {children}
    </>
  );
}
