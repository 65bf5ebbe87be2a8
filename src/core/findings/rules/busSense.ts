import { type BusDisplays, displayPlaces } from "../../circuits/busDisplays";
import { changeCircuit } from "../../edits/wiring";
import { shareOutPins } from "../../edits/shareOutPins";
import { type Rule, counted, listed, netSubject } from "../finding";

/** More displays of one address than a bus with all its multiplexers can tell apart. */
export const tooManyDisplays: Rule = {
  id: "wiring/too-many-displays",
  stage: "wiring",
  severity: "stop",
  why: "Displays with the same address on the same branch answer at once, and neither is understood.",
  source: "I²C-bus specification; 8 branches a multiplexer and 8 multiplexers a bus (typical of the class)",
  check(design, { elements }) {
    return design.circuits.flatMap((circuit) => {
      if (circuit.kind !== "bus-displays") return [];
      const held = circuit.members.flatMap((id) => elements.get(id) ?? []);
      const places = displayPlaces(circuit.ownAddresses);
      if (held.length <= places) return [];
      return [
        {
          message: `${circuit.name} has ${counted(held.length, "display")}; a bus tells ${places} of ${circuit.ownAddresses === 1 ? "one address" : `${circuit.ownAddresses} addresses`} apart. Put the others on a bus of their own.`,
          subjects: held.slice(places).map(({ id }) => ({ kind: "element" as const, id })),
        },
      ];
    });
  },
};

/** Two circuits of displays on one bus do not know of each other's addresses and branches. */
export const displaysOnOneBus: Rule = {
  id: "wiring/displays-on-one-bus",
  stage: "wiring",
  severity: "stop",
  why: "Each circuit gives its displays the same addresses and its multiplexers the same place on the bus.",
  source: "I²C-bus specification",
  check(design) {
    const circuits = design.circuits.filter((circuit): circuit is BusDisplays => circuit.kind === "bus-displays");
    const buses = [...new Set(circuits.map(({ bus }) => bus))];
    return buses.flatMap((bus) => {
      const on = circuits.filter((circuit) => circuit.bus === bus && circuit.members.length > 0);
      if (on.length < 2) return [];
      const free = [0, 1, 2, 3].find((other) => !buses.includes(other));
      const [first, second] = on;
      return [
        {
          message: `${listed(on.map(({ name }) => name))} are on the same bus with the same addresses.`,
          subjects: on.flatMap(({ members }) => members.map((id) => ({ kind: "element" as const, id }))),
          fixes: [
            {
              title: `Put the displays of ${second.name} into ${first.name}`,
              apply: (d) => ({
                ...d,
                circuits: d.circuits.flatMap((circuit) => {
                  if (circuit.id === second.id) return [];
                  if (circuit.id !== first.id || circuit.kind !== "bus-displays") return [circuit];
                  return [{ ...circuit, members: [...circuit.members, ...second.members] }];
                }),
              }),
            },
            ...(free === undefined
              ? []
              : [
                  {
                    title: `Give ${second.name} a bus of its own`,
                    apply: (d: typeof design) => changeCircuit<BusDisplays>(d, second.id, { bus: free }),
                  },
                ]),
          ],
        },
      ];
    });
  },
};

/** Two buses need two of the chip's bus controllers. */
export const busesOnOneController: Rule = {
  id: "pins/buses-on-one-controller",
  stage: "pins",
  severity: "stop",
  why: "A bus controller drives one bus at a time; two on the same one are a single bus at two places.",
  source: "bus controllers as the controller class states them",
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
