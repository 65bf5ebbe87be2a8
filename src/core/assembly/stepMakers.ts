import type { Bench } from "./bench";
import type { Step } from "./step";
import { caseSteps } from "./steps/caseSteps";
import { chipSteps } from "./steps/chipSteps";
import { closingSteps } from "./steps/closingSteps";
import { controlSteps } from "./steps/controlSteps";
import { moduleSteps } from "./steps/moduleSteps";
import { plateSteps } from "./steps/plateSteps";
import { smallPartSteps } from "./steps/smallPartSteps";
import { testSteps } from "./steps/testSteps";
import { wireSteps } from "./steps/wireSteps";

/** Every sort of work, one line each, in the order in which it would be told; reasons decide what is done before what. */
export const stepMakers: ((bench: Bench) => Step[])[] = [
  plateSteps,
  controlSteps,
  smallPartSteps,
  chipSteps,
  moduleSteps,
  wireSteps,
  testSteps,
  caseSteps,
  closingSteps,
];
