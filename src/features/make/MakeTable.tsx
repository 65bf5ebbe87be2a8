"use client";

import { useStepInHand } from "@/store/stepInHand";
import { later } from "@/ui/pieces/later";
import { StepsTable } from "./StepsTable";

const CasePicture = later(() => import("./CasePicture").then((m) => m.CasePicture));
const SideView = later(() => import("./SideView").then((m) => m.SideView));
const PartsTable = later(() => import("./PartsTable").then((m) => m.PartsTable));

/** Beneath the mat: what the sheet in the tray is about: the parts list, the stack from the side, the case, or the steps. */
export function MakeTable() {
  const tab = useStepInHand((state) => state.tab);
  if (tab === "stack") return <SideView />;
  if (tab === "case") return <CasePicture />;
  return tab === "parts" ? <PartsTable /> : <StepsTable />;
}
