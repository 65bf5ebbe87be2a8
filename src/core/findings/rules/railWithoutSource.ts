import { RAIL_5V, RAIL_IN, rails } from "../../circuits/net";
import { type Rule, listed, netSubject } from "../finding";

const isRail = (netId: string) => netId === RAIL_IN || rails.some(({ id }) => id === netId);

/** A rail that parts hang on and no pad of the controller gives. */
export const railWithoutSource: Rule = {
  id: "circuits/rail-without-source",
  stage: "circuits",
  severity: "stop",
  why: "Parts for 3.3 V are destroyed by 5 V, and parts for 5 V do not start at 3.3 V; the rail needs a source of its own.",
  source: "the voltages of the controller profile's supply pads",
  eachController: true,
  check(design, derived) {
    const { nets, profile, elements } = derived;
    if (!profile) return [];
    return nets
      .filter(({ id }) => isRail(id) && derived.padsOf(id, profile).length === 0)
      .filter(({ id }) => !(id === RAIL_5V && design.supply.outside))
      .map(({ id, flag, joints }) => {
        const labels = [...new Set(joints.flatMap(({ elementId }) => elements.get(elementId)?.label ?? []))];
        const whose = labels.length > 0 ? listed(labels.slice(0, 4)) : "Parts";
        const volts = rails.find((rail) => rail.id === id)?.volts ?? profile.logicV;
        return {
          message: `${whose} ${labels.length === 1 ? "needs" : "need"} ${volts} V on ${flag}, and no pad of the ${profile.title} gives it: add a regulator or an outside supply, or take another class.`,
          subjects: [netSubject(id)],
        };
      });
  },
};
