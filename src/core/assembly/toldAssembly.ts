import type { Design } from "../document/schema";
import { type Assembly, assemblyOf } from "./assembly";
import type { Step } from "./step";

/** A step as a person is told of it. */
export type ToldStep = Omit<Step, "reaches" | "covers" | "wants" | "gives" | "heightMm">;

export type ToldAssembly = Omit<Assembly, "steps"> & { steps: ToldStep[] };

function toldStep({ reaches, covers, wants, gives, heightMm, ...told }: Step): ToldStep {
  void [reaches, covers, wants, gives, heightMm];
  return told;
}

/** The steps of a design without what only their order is worked out from. */
export function toldAssembly(design: Design): ToldAssembly {
  const { steps, ...rest } = assemblyOf(design);
  return { ...rest, steps: steps.map(toldStep) };
}
