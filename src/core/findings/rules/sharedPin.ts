import type { Net } from "../../circuits/net";
import { type Rule, listed, netSubject } from "../finding";
import { placed, free } from "./placedNets";

export const sharedPin: Rule = {
  id: "pins/shared",
  stage: "pins",
  severity: "stop",
  why: "Two nets on one pin are one net.",
  source: "follows from the pin plan",
  eachController: true,
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
