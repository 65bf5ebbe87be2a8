"use client";

import { useStepInHand } from "@/store/stepInHand";
import { later } from "@/ui/pieces/later";
import { StepsTable } from "./StepsTable";

const PartsTable = later(() => import("./PartsTable").then((m) => m.PartsTable));

/** Beneath the mat: the parts list while parts are looked at, else the steps. */
export function MakeTable() {
  const tab = useStepInHand((state) => state.tab);
  return tab === "parts" ? <PartsTable /> : <StepsTable />;
}
