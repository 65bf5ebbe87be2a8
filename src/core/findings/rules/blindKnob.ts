import { hasUsb8Chip } from "../../chips/usb8Classes";
import { adoptPinPlan } from "../../edits/pins";
import type { Design } from "../../document/schema";
import { planPins } from "../../pins/planPins";
import { blindKnobs } from "../../timing/knobLimits";
import { type Fix, type Rule, listed } from "../finding";

const planned = (design: Design) => adoptPinPlan(design, planPins(design));

/** Pads that interrupt help on classes whose firmware is told by them. */
function cures(design: Design, profileId: string | undefined): Fix[] {
  if (profileId === undefined || !hasUsb8Chip(profileId)) return [];
  return blindKnobs(planned(design)).length === 0 ? [{ title: "Share out pins anew", apply: planned }] : [];
}

/** Knobs that keep their steps by themselves, and lose them while lights or displays are being sent. */
export const blindKnob: Rule = {
  id: "circuits/blind-knob",
  stage: "circuits",
  severity: "warn",
  why: "While lights are sent or a display is written no contact is read: a knob on pads that do not interrupt loses steps meanwhile.",
  source:
    "24 bits at 800 kHz a light and whole milliseconds, nine clocks a byte on the two-wire bus; states a turn × turns a second",
  check(design, { profile }) {
    const blind = blindKnobs(design);
    if (blind.length === 0) return [];
    const worst = blind.reduce((a, b) => (b.turns < a.turns ? b : a));
    const wished = design.brief.wish.turnsPerSecond;
    return [
      {
        message: `While lights and displays are sent, ${listed(blind.map(({ label }) => label))} ${blind.length === 1 ? "is" : "are"} not seen for up to ${(worst.blindUs / 1000).toFixed(1)} ms: sure up to ${worst.turns.toFixed(1)} turns a second, and the brief wishes ${wished}.`,
        subjects: blind.map(({ elementId }) => ({ kind: "element" as const, id: elementId })),
        fixes: cures(design, profile?.id),
      },
    ];
  },
};
