"use client";

import type { Design } from "@/core/document/schema";
import { useAssembly } from "@/store/assemblyAside";
import { useStepInHand } from "@/store/stepInHand";
import { StepLens } from "@/ui/lenses/StepLens";

/** The parts and wires of the step in hand; all else steps back. */
export function StepOnMat({ design }: { design: Design }) {
  const { view } = useAssembly(design);
  const stepId = useStepInHand((state) => state.stepId);
  const step = view?.steps.find(({ id }) => id === stepId);
  return step ? <StepLens design={design} lit={step.lit} wireKeys={step.wires} /> : null;
}
