import { artifactNamed } from "@/core/exports/registry";
import { good } from "@/core/document/problem";
import { simulate, simulationSchema } from "@/core/engine/simulate";
import { toHex } from "@/core/hex";
import { findingsOf, toldFinding } from "@/core/findings/check";
import { electricFactsOf } from "@/core/findings/electricFacts";
import { factsOf } from "@/core/findings/facts";
import { bringUpTask } from "./bringUpTask";
import { compareTask } from "./compareTask";
import { planBriefTask } from "./planBriefTask";
import { planBatteryTask, planLadderTask, planLightsTask } from "./planCircuitTasks";
import { planMatrixTask } from "./planMatrixTask";
import { planPinsTask } from "./planPinsTask";
import { planPurchaseTask } from "./planPurchaseTask";
import { planStepsTask } from "./planStepsTask";
import { type Reply, jsonReply, problemReply, readOptions, withDesign } from "./reply";

/** A call that takes a body: its bytes, the last part of its address, and how to tell an answer that may get better. */
export type Task = (body: Uint8Array, parameter: string, tell: (better: Reply) => void) => Promise<Reply>;

const check: Task = (body) =>
  withDesign(body, (design) =>
    good(
      jsonReply({
        findings: findingsOf(design).map(toldFinding),
        facts: { ...factsOf(design), ...electricFactsOf(design) },
      }),
    ),
  );

const simulation: Task = (body) =>
  withDesign(body, (design, rest) => {
    const asked = readOptions(simulationSchema, rest);
    if (!asked.ok) return asked;
    const run = simulate(design, asked.value);
    if (!run.ok) return run;
    const reports = run.value.reports.map((report) => ({
      atMs: report.atMs,
      interface: report.interface,
      bytes: toHex(report.bytes),
    }));
    const answers = run.value.answers.map(({ atMs, bytes }) => ({ atMs, bytes: toHex(bytes) }));
    const lights = run.value.lights.map(({ bytes, ...one }) => ({ ...one, bytes: toHex(bytes) }));
    const packets = run.value.packets.map(({ bytes, ...one }) => ({ ...one, bytes: toHex(bytes) }));
    const socket = run.value.socket.map(({ bytes, ...one }) => ({ ...one, bytes: toHex(bytes) }));
    return good(jsonReply({ ...run.value, reports, packets, socket, answers, lights }));
  });

const exportArtifact: Task = async (body, id) => {
  const artifact = artifactNamed(id);
  if (!artifact) return problemReply(404, { path: "artifact", message: `There is no export "${id}".` });
  return withDesign(body, async (design) => {
    const made = await artifact.make(design);
    if (!made.ok) return made;
    const { bytes, mediaType, fileName } = made.value;
    const headers = { "content-type": mediaType, "content-disposition": `attachment; filename="${fileName}"` };
    return good({ status: 200, headers, body: bytes });
  });
};

/** Every call that may be long, by its name. */
export const serverTasks = {
  check,
  simulate: simulation,
  "plan/brief": planBriefTask,
  "plan/matrix": planMatrixTask,
  "plan/pins": planPinsTask,
  "plan/ladder": planLadderTask,
  "plan/lights": planLightsTask,
  "plan/battery": planBatteryTask,
  "plan/purchase": planPurchaseTask,
  "plan/steps": planStepsTask,
  bringup: bringUpTask,
  compare: compareTask,
  export: exportArtifact,
} satisfies Record<string, Task>;
export type TaskName = keyof typeof serverTasks;
