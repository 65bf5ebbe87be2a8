import type { Pin } from "../../catalogue/controllers/controllerProfile";
import type { Net } from "../../circuits/net";
import type { Derived } from "../../derived/derive";
import { freePin } from "../../edits/pins";
import type { Design } from "../../document/schema";
import { lacks } from "../../pins/capability";
import { type Fix, type Observation, type Rule, listed, netSubject } from "../finding";

/** Nets with the pins they are on; a pin name that the profile does not have comes as undefined. */
function placed(design: Design, { profile, signalNets }: Derived): { net: Net; name: string; pin: Pin | undefined }[] {
  if (!profile) return [];
  const pins = new Map(profile.pins.filter((pin) => pin.role === "io").map((pin) => [pin.name, pin]));
  return signalNets.flatMap((net) => {
    const name = design.pinPlan[net.id]?.pin;
    return name === undefined ? [] : [{ net, name, pin: pins.get(name) }];
  });
}

const free = (net: Net): Fix => ({ title: `Free the pin of ${net.flag}`, apply: (d) => freePin(d, net.id) });

export const reservedPin: Rule = {
  id: "pins/reserved",
  stage: "pins",
  severity: "stop",
  why: "What the board itself does on that pin and the net would disturb each other.",
  source: "the controller profile",
  check(design, derived) {
    return placed(design, derived).flatMap(({ net, name, pin }) =>
      pin?.reserved
        ? [
            {
              message: `${net.flag} is on ${name}, but the board needs that pin itself: ${pin.reserved}.`,
              subjects: [netSubject(net.id), { kind: "pin" as const, id: name }],
              fixes: [free(net)],
            },
          ]
        : [],
    );
  },
};

export const incapablePin: Rule = {
  id: "pins/incapable",
  stage: "pins",
  severity: "stop",
  why: "The pin cannot do what the net asks of it.",
  source: "the controller profile",
  check(design, derived) {
    return placed(design, derived).flatMap(({ net, name, pin }): Observation[] => {
      const lack = pin ? lacks(pin, net.need!) : "is not a pin of this controller";
      if (!lack) return [];
      const subjects = [netSubject(net.id), { kind: "pin" as const, id: name }];
      return [{ message: `${net.flag} is on ${name}, which ${lack}.`, subjects, fixes: [free(net)] }];
    });
  },
};

export const sharedPin: Rule = {
  id: "pins/shared",
  stage: "pins",
  severity: "stop",
  why: "Two nets on one pin are one net.",
  source: "follows from the pin plan",
  check(design, derived) {
    const byPin = new Map<string, Net[]>();
    for (const { net, name } of placed(design, derived)) byPin.set(name, [...(byPin.get(name) ?? []), net]);
    return [...byPin.entries()]
      .filter(([, nets]) => nets.length > 1)
      .map(([name, nets]) => ({
        message: `${listed(nets.map((net) => net.flag))} are all on ${name}; each needs its own pin.`,
        subjects: [...nets.map((net) => netSubject(net.id)), { kind: "pin" as const, id: name }],
        fixes: nets.slice(1).map(free),
      }));
  },
};
