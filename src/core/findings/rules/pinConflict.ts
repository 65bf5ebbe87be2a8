import type { Net } from "../../circuits/net";
import { pinConflict as conflictOf } from "../../pins/conflict";
import { remedies } from "../../edits/remedies";
import { type Rule, counted, listed, netSubject } from "../finding";

const NAMED = 6;

const needWords = (nets: Net[]): string => {
  const words = new Set(
    nets.map(({ need }) => {
      if (need!.bus) return `the ${need!.bus.line} line of a bus of its own`;
      if (need!.analog) return "an analog pin";
      if (need!.pwm) return "a PWM pin";
      return need!.input ? "an input" : "an output";
    }),
  );
  return listed([...words]);
};

/** The first few of a list by name, and how many more. */
export const someOf = (names: string[]): string =>
  listed([...names.slice(0, NAMED), ...(names.length > NAMED ? [`${names.length - NAMED} more`] : [])]);

/** There are pins enough, but not of the kind. Which needs clash is worked out; without any one of them the rest fits. */
export const pinConflict: Rule = {
  id: "pins/conflict",
  stage: "pins",
  severity: "stop",
  why: "These needs cannot all be met, whatever pin the others take; leaving out any one of them would do.",
  source: "a smallest conflicting set: each was left out in turn (deletion filter over the exact assignment)",
  eachController: true,
  check(design) {
    const conflict = conflictOf(design);
    if (!conflict) return [];
    const { nets, locks, pins } = conflict;
    const locked =
      locks.length > 0
        ? ` while ${listed(locks.map(({ flag }) => flag))} ${locks.length === 1 ? "is" : "are"} locked`
        : "";
    const able =
      pins.length === 0
        ? "no pin can serve them"
        : `only ${counted(pins.length, "pin")} can serve them (${someOf(pins)})`;
    return [
      {
        message: `${someOf(nets.map(({ flag }) => flag))} cannot all have a pin${locked}: they need ${needWords(nets)}, and ${able}.`,
        subjects: nets.map(({ id }) => netSubject(id)),
        fixes: remedies(design),
      },
    ];
  },
};
