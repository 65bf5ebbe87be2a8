import type { ToldFinding } from "./finding";

/** What is settled by loading other firmware, or by soldering in another way, can wait until after buying. */
const CAN_WAIT = new Set([
  "wiring/settle-time",
  "wiring/one-tone",
  "circuits/asleep-current",
  "circuits/late-scan",
  "circuits/module-clock",
  "circuits/module-frames",
  "circuits/serial-modes",
  "pins/stale",
]);

/** Stages that decide what is bought: parts, plates, boards, the controller and what hangs on its pins. */
const BOUGHT = new Set<string>(["brief", "layout", "wiring", "pins", "circuits", "make"]);

/** Findings that cost something once parts, plates or boards are bought; notes are no reason to wait. */
export const beforeOrder = <Told extends Pick<ToldFinding, "rule" | "stage" | "severity">>(findings: Told[]): Told[] =>
  findings.filter(({ rule, stage, severity }) => severity !== "note" && BOUGHT.has(stage) && !CAN_WAIT.has(rule));
