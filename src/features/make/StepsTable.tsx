"use client";

import { useEffect } from "react";
import { spanWords, stepSpan } from "@/core/assembly/time";
import { toolWords } from "@/core/assembly/toolWords";
import type { ToldStep } from "@/core/assembly/toldAssembly";
import { useDesign } from "@/store/bench";
import { openMakeTab, useStepInHand } from "@/store/stepInHand";
import { Table, type TableColumn } from "@/ui/pieces/Table";
import { useMaking } from "./useMaking";
import { beginStep } from "./walking";

const SIDES: Record<NonNullable<ToldStep["face"]>, string> = {
  front: "parts side",
  inside: "plate off",
  back: "solder side",
};

/** All steps in their order; picking one takes it up. */
export function StepsTable() {
  const { build } = useDesign();
  const making = useMaking();
  const stepId = useStepInHand((state) => state.stepId);
  // The step in hand is in sight, also when it was not picked here.
  useEffect(() => {
    if (stepId) document.querySelector(`[data-row="${CSS.escape(stepId)}"]`)?.scrollIntoView({ block: "nearest" });
  }, [stepId]);
  if (!making) return null;
  const { steps, done, skipped, wish } = making;
  const minutes = build?.minutes ?? {};
  const state = ({ id }: ToldStep) => (done.has(id) ? "done" : skipped.has(id) ? "left out" : "");
  const columns: TableColumn<ToldStep>[] = [
    { title: "Step", cell: (step) => `${steps.indexOf(step) + 1}. ${step.title}` },
    { title: "Expected", cell: (step) => spanWords(stepSpan(step, wish)).replace("about ", "") },
    { title: "Side", cell: ({ face }) => (face ? SIDES[face] : "") },
    { title: "With", cell: ({ tool }) => toolWords[tool] },
    {
      title: "Took",
      numeric: true,
      cell: ({ id }) => (Object.hasOwn(minutes, id) ? `${minutes[id].toFixed(1)} min` : ""),
    },
    { title: "State", cell: state },
  ];
  return (
    <Table
      label="Steps in their order"
      rows={steps}
      columns={columns}
      rowId={({ id }) => id}
      isSelected={({ id }) => id === stepId}
      onPick={(step) => {
        openMakeTab("steps");
        beginStep(step);
      }}
      empty="No steps yet: place parts in Layout first."
    />
  );
}
