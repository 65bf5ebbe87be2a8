import { shareOutPins } from "../../edits/shareOutPins";
import { type Rule, listed, netSubject } from "../finding";

/** Both lines of a bus must come from the same bus controller of the chip. */
export const busSplit: Rule = {
  id: "pins/bus-split",
  stage: "pins",
  severity: "stop",
  why: "Clock and data of a bus are made by one bus controller; lines of two of them never make a bus.",
  source: "I²C-bus specification; bus controllers as the controller class states them",
  eachController: true,
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
