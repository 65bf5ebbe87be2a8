import { text, whole, listOf, z } from "../schema";
import type { Control } from "../catalogue/kinds";
import { kindOf } from "../catalogue/kinds";
import { derive } from "../design/derive";
import { type Problem, type Result, bad, good } from "../design/problem";
import type { Design } from "../design/schema";
import { overLimits } from "../firmware/limits";
import { scanPlanOf } from "../firmware/scanPlan";
import { Device, type DeviceWatch, type TimedReport } from "./device";
import { HostStandIn } from "./hostText";
import { randomFrom } from "./random";

/** Ten minutes of device time, so that one request ends soon. */
const LONGEST_MS = 600_000;

const eventSchema = z.strictObject({
  atMs: whole(0, LONGEST_MS),
  /** Id or label of a control. */
  control: text(1, 4000),
  action: z.enum(["press", "release", "turn"]),
  /** Felt steps of a turn, clockwise when positive. */
  steps: z.optional(whole(-1000, 1000)),
});
export type ControlEvent = z.infer<typeof eventSchema>;

export const simulationSchema = z.strictObject({
  events: listOf(eventSchema, 20_000),
  untilMs: whole(0, LONGEST_MS),
  /** Longest bounce of a contact in ms, and the seed it is drawn from; no bounce when left out. */
  bounce: z.optional(z.strictObject({ mostMs: whole(0, 20), seed: z.int() })),
});
export type SimulationRequest = z.infer<typeof simulationSchema>;

export interface SimulationResult {
  reports: TimedReport[];
  /** What a host set to the design's keyboard language would have typed. */
  text: string;
}

function findControl(design: Design, name: string): Control | undefined {
  return derive(design).controls.get(name) ?? design.controls.find((control) => control.label === name);
}

function eventProblem(design: Design, event: ControlEvent): string | null {
  const control = findControl(design, event.control);
  if (!control) return `the design has no control "${event.control}"`;
  const kinds = kindOf(control)
    .elements(control)
    .map((element) => element.kind);
  if (event.action === "turn" && !kinds.includes("quadrature")) return `${control.label} cannot be turned`;
  if (event.action !== "turn" && !kinds.includes("switch")) return `${control.label} has nothing to press`;
  return null;
}

function problemsOf(design: Design, events: ControlEvent[]): Problem[] {
  const over = overLimits(scanPlanOf(design), design.keymap.layers.length);
  return [
    ...over.map((message) => ({ path: "design", message: `has ${message}` })),
    ...events.flatMap((event, at) => {
      const message = eventProblem(design, event);
      return message ? [{ path: `events.${at}.control`, message }] : [];
    }),
  ];
}

function order(device: Device, control: Control, event: ControlEvent) {
  if (event.action === "turn") device.turn(`${control.id}:turn`, event.steps ?? 1, event.atMs);
  else device.press(`${control.id}:press`, event.action === "press", event.atMs);
}

/**
 * Runs the firmware on a design's own circuits from 0 to `untilMs`.
 * @param watch told of everything on the way, for recordings
 * @returns reports with their milliseconds and the typed text, or problems with the events
 */
export function simulate(
  design: Design,
  request: SimulationRequest,
  watch: DeviceWatch = {},
): Result<SimulationResult> {
  const problems = problemsOf(design, request.events);
  if (problems.length > 0) return bad(...problems);
  const reports: TimedReport[] = [];
  const host = new HostStandIn();
  const { bounce } = request;
  const device = new Device(
    design,
    {
      ...watch,
      report(report) {
        reports.push(report);
        watch.report?.(report);
        host.receive(report);
        device.hostLocks(host.locks);
      },
    },
    bounce ? { mostMs: bounce.mostMs, random: randomFrom(bounce.seed) } : null,
  );
  const inTime = [...request.events].sort((a, b) => a.atMs - b.atMs);
  for (const event of inTime) {
    // Ordered when their time comes, so that a later order for a contact can cancel the rest of an earlier bounce.
    device.runUntil(Math.min(event.atMs, request.untilMs));
    if (event.atMs < request.untilMs) order(device, findControl(design, event.control)!, event);
  }
  device.runUntil(request.untilMs);
  return good({ reports, text: host.text });
}

/** Bytes as hexadecimal text without spaces. */
export const toHex = (bytes: Uint8Array | number[]): string =>
  Array.from(bytes, (byte) => byte.toString(16).padStart(2, "0")).join("");
