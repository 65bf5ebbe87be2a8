import { derive } from "../derived/derive";
import type { Assembled, AssembledNet, Bond, Node, Place } from "./assembled";
import type { Suspect } from "./suspects";
import type { Trial } from "./trial";

/** What a meter may be held on: across each joint, wire and small part, from a pad to each contact, across each short there may be. */
export function meterTrials(assembled: Assembled, suspects: Suspect[]): Trial[] {
  const all = [
    ...[...assembled.nets.values()].flatMap((net) => netTrials(assembled, net)),
    ...switchTrials(assembled),
    ...suspects.flatMap((suspect) => touchTrials(assembled, suspect)),
  ];
  return [...new Map(all.reverse().map((trial) => [trial.id, trial])).values()].reverse();
}

/** Along one net. */
function netTrials(assembled: Assembled, net: AssembledNet): Trial[] {
  const begin = net.pad?.node ?? rootMetal(net);
  return [
    ...net.trunk.flatMap((bond) => (bond.sort === "pin" ? [] : across(assembled, bond))),
    ...[...net.places.values()].flatMap((place) => [
      ...place.own.map((bond) => across(assembled, bond)),
      ...(begin === null || begin === place.lump || begin === place.metal
        ? []
        : [meter(assembled, [net.net.id], begin, place.lump, "ohm", [], place.ownerId)]),
    ]),
  ];
}

/** Between nets that may touch, and from a lead to the pad that it may be on. */
function touchTrials(assembled: Assembled, { fault }: Suspect): Trial[] {
  const { nets } = assembled;
  if (fault.kind === "misplaced") {
    const lead = `${fault.net}|${nets.get(fault.net)!.pad!.node}`;
    return [meter(assembled, [fault.net, fault.net], lead, fault.pad, "ohm", [], null)];
  }
  if (fault.kind !== "short") return [];
  const [a, b] = [fault.netA, fault.netB].map((id) => metalOf(nets.get(id)!));
  return a === null || b === null ? [] : [meter(assembled, [fault.netA, fault.netB], a, b, "ohm", [], null)];
}

const rootMetal = ({ root, places }: AssembledNet): Node | null =>
  [...places.values()].some(({ metal }) => metal === root) ? root : null;

/** Where a tip reaches a net: its pad, else its first lump. */
const metalOf = ({ pad, places }: AssembledNet): Node | null => pad?.node ?? [...places.values()][0]?.lump ?? null;

function across(assembled: Assembled, bond: Bond): Trial {
  const { a, b, sort, anode, netId, controlId } = bond;
  if (sort !== "diode") return meter(assembled, [netId], a, b, "ohm", [], controlId);
  return meter(assembled, [netId], anode!, anode === a ? b : a, "diode", [], controlId);
}

function meter(
  { names, places, design }: Assembled,
  nets: string[],
  red: Node,
  black: Node,
  range: "ohm" | "diode",
  held: string[],
  controlId: string | null,
): Trial {
  const { elements, controls } = derive(design);
  const keys = held.map((id) => elements.get(id)!.label);
  const while_ = keys.length > 0 ? ` while ${keys.join(" and ")} is pressed` : "";
  const how = range === "diode" ? "diode range, red tip first: " : "";
  return {
    id: `meter ${red} > ${black} ${range}${held.length > 0 ? ` ${held.join(" ")}` : ""}`,
    deed: { does: "meter", red, black, range, held },
    effort: "meter",
    times: 1,
    title: `Unplugged, measure ${how}from ${names.get(red) ?? red} to ${names.get(black) ?? black}${while_}`,
    nets,
    controlIds: controlId !== null && controls.has(controlId) ? [controlId] : [],
    at: [places.get(red), places.get(black)].flatMap((at) => at ?? []),
  };
}

/** Across the contacts of a switch at rest, and through it while it is pressed. */
function switchTrials(assembled: Assembled): Trial[] {
  const { elements, circuitsOf } = derive(assembled.design);
  return [...elements.values()].flatMap((element) => {
    if (element.kind !== "switch" || !circuitsOf.has(element.id)) return [];
    const contacts = assembled.contactsOf.get(element.id) ?? [];
    if (contacts.length !== 2) return [];
    const places = contacts.map(({ netId, contactId }) => assembled.nets.get(netId)!.places.get(contactId)!);
    const nets = contacts.map(({ netId }) => netId);
    const [first, second] = flowOrder(places);
    const hasDiode = places.some(({ own }) => own.some(({ sort }) => sort === "diode"));
    return [
      meter(assembled, nets, places[0].metal, places[1].metal, "ohm", [], element.controlId),
      meter(assembled, nets, first.lump, second.lump, hasDiode ? "diode" : "ohm", [element.id], element.controlId),
    ];
  });
}

/** The way current runs through the switch's own diode; as they stand where there is none. */
function flowOrder([one, other]: Place[]): [Place, Place] {
  const enters = (place: Place) => place.own.some(({ sort, anode, b }) => sort === "diode" && anode === b);
  const leaves = (place: Place) => place.own.some(({ sort, anode, a }) => sort === "diode" && anode === a);
  return leaves(one) || enters(other) ? [other, one] : [one, other];
}
