import type { PlanAndReal } from "@/core/journal/planAndReal";
import { planning } from "@/workers/planning";
import { asideOf } from "./aside";

/** What was reckoned against what it took. */
export const usePlanAndReal = asideOf<PlanAndReal>((design) => planning().planAndReal(design));
