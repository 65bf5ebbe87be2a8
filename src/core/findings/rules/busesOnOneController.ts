import { shareOutPins } from "../../edits/shareOutPins";
import { type Rule, listed, netSubject } from "../finding";

/** Two buses need two of the chip's bus controllers. */
export const busesOnOneController: Rule = {
  id: "pins/buses-on-one-controller",
  stage: "pins",
  severity: "stop",
  why: "A bus controller drives one bus at a time; two on the same one are a single bus at two places.",
  source: "bus controllers as the controller class states them",
  eachController: true,
  check(design, { profile, signalNets }) {
    if (!profile) return [];
    const instanceOf = new Map<string, Set<string>>();
    for (const net of signalNets) {
      const want = net.need?.bus;
      if (!want || net.busId === undefined || !Object.hasOwn(design.pinPlan, net.id)) continue;
      const pin = profile.pins.find(({ name }) => name === design.pinPlan[net.id].pin);
      const roles = pin?.buses.filter(({ bus, line }) => bus === want.bus && line === want.line) ?? [];
      const here = new Set(roles.map(({ instance }) => `${want.bus} ${instance}`));
      const before = instanceOf.get(net.busId);
      instanceOf.set(net.busId, before ? new Set([...before].filter((one) => here.has(one))) : here);
    }
    const entries = [...instanceOf];
    return entries.flatMap(([busId, own], nth) => {
      const twin = entries
        .slice(nth + 1)
        .find(([, other]) => own.size === 1 && other.size === 1 && [...own][0] === [...other][0]);
      if (!twin) return [];
      const nets = signalNets.filter((net) => net.busId === busId || net.busId === twin[0]);
      return [
        {
          message: `${listed(nets.map(({ flag }) => flag))} belong to two buses, but are on pins of one bus controller (${[...own][0]}).`,
          subjects: nets.map(({ id }) => netSubject(id)),
          fixes: [{ title: "Share out pins anew", apply: (d) => shareOutPins(d) }],
        },
      ];
    });
  },
};
