import type { Net } from "../../circuits/net";
import { pinConflict as conflictOf } from "../../pins/conflict";
import { shareOutPins } from "../../edits/shareOutPins";
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

/** Both lines of a bus must come from the same bus controller of the chip. */
export const busSplit: Rule = {
  id: "pins/bus-split",
  stage: "pins",
  severity: "stop",
  why: "Clock and data of a bus are made by one bus controller; lines of two of them never make a bus.",
  source: "I²C-bus specification; bus controllers as the controller class states them",
  check(design, { profile, signalNets }) {
    if (!profile) return [];
    const busIds = [...new Set(signalNets.flatMap(({ busId }) => busId ?? []))];
    return busIds.flatMap((busId) => {
      const lines = signalNets.filter((net) => net.busId === busId);
      const instances = lines.flatMap((net) => {
        const pin = profile.pins.find(({ name }) => name === design.pinPlan[net.id]?.pin);
        const roles = pin?.buses.filter(({ bus, line }) => bus === net.need!.bus!.bus && line === net.need!.bus!.line);
        return roles && roles.length > 0 ? [new Set(roles.map(({ instance }) => instance))] : [];
      });
      const shared = instances.reduce(
        (both, one) => new Set([...both].filter((i) => one.has(i))),
        instances[0] ?? new Set(),
      );
      if (instances.length < 2 || shared.size > 0) return [];
      return [
        {
          message: `${listed(lines.map(({ flag }) => flag))} are on pins of different bus controllers.`,
          subjects: lines.map(({ id }) => netSubject(id)),
          fixes: [{ title: "Share out pins anew", apply: (d) => shareOutPins(d) }],
        },
      ];
    });
  },
};
