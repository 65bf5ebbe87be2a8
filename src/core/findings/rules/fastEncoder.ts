import { hasUsb8Chip } from "../../chips/usb8Classes";
import type { Derived } from "../../derived/derive";
import type { Design } from "../../document/schema";
import { adoptPinPlan } from "../../edits/pins";
import { edgeEncoders } from "../../firmware/edgeEncoders";
import { scanTableOf } from "../../firmware/scanTable";
import { planPins } from "../../pins/planPins";
import { knobLimits } from "../../timing/knobLimits";
import type { Rule } from "../finding";

/** Turns a second up to which every state is seen while nothing else is being sent, by element. */
const quietTurns = (design: Design) => new Map(knobLimits(design).map((knob) => [knob.elementId, knob.quietTurns]));

const planned = (design: Design) => adoptPinPlan(design, planPins(design));

/** The encoders that a new plan of pins would have told, on a class whose firmware can. */
function toldIfPlanned(design: Design, { profile }: Derived): Set<string> {
  if (!profile || !hasUsb8Chip(profile.id)) return new Set();
  return toldEncoders(planned(design));
}

function toldEncoders(design: Design): Set<string> {
  const scan = scanTableOf(design);
  return new Set(edgeEncoders(design, scan).map((number) => scan.encoders[number].elementId));
}

/** Encoders on lines of their own that are read once a scan, or would be if they had their pins. */
function sampled(design: Design, { builtCircuits, profile }: Derived): string[] {
  const told = toldEncoders(design);
  // On a class that can interrupt, the plan of pins decides; those behind added parts are told with their reading.
  const waits = (net: string) => profile !== null && hasUsb8Chip(profile.id) && !design.pinPlan[net];
  return builtCircuits
    .filter(({ chips }) => chips.length === 0)
    .flatMap(({ encoders }) => encoders)
    .filter(({ elementId, netA, netB }) => !told.has(elementId) && !waits(netA) && !waits(netB))
    .map(({ elementId }) => elementId);
}

export const fastEncoder: Rule = {
  id: "wiring/fast-encoder",
  stage: "wiring",
  severity: "warn",
  why: "An encoder that passes a state between two readings loses steps.",
  source: "arithmetic: one reading a millisecond, states a step × steps a turn",
  eachController: true,
  check(design, derived) {
    const wished = design.brief.wish.turnsPerSecond;
    const limits = quietTurns(design);
    const limited = sampled(design, derived).flatMap((elementId) => {
      const element = derived.elements.get(elementId);
      if (!element?.turning) return [];
      const { stepsPerTurn, statesPerStep } = element.turning;
      const limit = limits.get(elementId)!;
      return limit >= wished ? [] : [{ element, states: stepsPerTurn * statesPerStep, limit }];
    });
    const told = limited.length > 0 ? toldIfPlanned(design, derived) : new Set();
    return limited.map(({ element, states, limit }) => {
      const canBeTold = told.has(element.id);
      const cure = canBeTold ? "Put both its lines on pads that interrupt." : "Take one of fewer steps.";
      return {
        message: `${element.label} makes ${states} states a turn; read once a millisecond it keeps up to ${limit.toFixed(1)} turns a second, and the brief wishes ${wished}. ${cure}`,
        subjects: [{ kind: "element" as const, id: element.id }],
        fixes: canBeTold ? [{ title: "Share out pins anew", apply: planned }] : [],
      };
    });
  },
};
