import { adoptPinPlan } from "../../edits/pins";
import { planPins } from "../../pins/planPins";
import { type Rule, counted, listed, netSubject } from "../finding";

const NAMED = 6;

export const unplacedNets: Rule = {
  id: "pins/without-pin",
  stage: "pins",
  severity: "stop",
  why: "A net without a pin is a wire that ends in the air.",
  source: "follows from the pin plan",
  eachController: true,
  check(design, { profile, signalNets }) {
    if (!profile) return [];
    const open = signalNets.filter((net) => !design.pinPlan[net.id]);
    if (open.length === 0) return [];
    const names = open.slice(0, NAMED).map((net) => net.flag);
    const more = open.length > NAMED ? [`${open.length - NAMED} more`] : [];
    return [
      {
        message: `${counted(open.length, "net")} without a pin: ${listed([...names, ...more])}.`,
        subjects: open.map((net) => netSubject(net.id)),
        fixes: [{ title: "Share out pins", apply: (d) => adoptPinPlan(d, planPins(d)) }],
      },
    ];
  },
};
