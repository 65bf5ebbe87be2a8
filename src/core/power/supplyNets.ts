import { type Net, plainNet } from "../circuits/net";
import { derive } from "../derived/derive";
import type { Design } from "../document/schema";
import { wireOhm } from "../electrics/copper";
import type { Branch } from "../electrics/network";
import { supplyRoot } from "../wires/supplyRoot";
import { type Wire, wiresOf } from "../wires/wires";

/** One net of supply or ground as a network of copper, and the end at which it is fed. */
export interface SupplyNet {
  net: Net;
  /** The end that a source holds. */
  root: string;
  wires: Wire[];
  branches: Branch[];
}

/** Two places at one spot still have a joint of solder between them. */
const JOINT_OHM = 0.001;

/** Where a net is fed: a pad of the module, else the jumper, the terminal or the diode before it. */
function rootOf(net: Net, wires: Wire[]): string | null {
  const pad = wires.flatMap(({ from, to }) => [from.id, to.id]).find((id) => id.startsWith("pin "));
  return (
    pad ??
    supplyRoot(
      net,
      net.joints.map(({ contactId }) => contactId),
    )
  );
}

/** Every end of a net hangs on its wires; ends that share one place are joined. */
function branchesOf(net: Net, wires: Wire[]): Branch[] {
  const branches = wires.map(({ from, to, cutMm, mm2 }) => ({ a: from.id, b: to.id, ohm: wireOhm(cutMm, mm2) }));
  const byPlace = new Map<string, string>();
  for (const { contactId, at } of net.joints) {
    const place = `${at.xMm} ${at.yMm}`;
    const other = byPlace.get(place);
    if (other === undefined) byPlace.set(place, contactId);
    else if (other !== contactId) branches.push({ a: other, b: contactId, ohm: JOINT_OHM });
  }
  return branches;
}

/** Supply and ground of a design as networks. */
export function supplyNetsOf(design: Design): SupplyNet[] {
  const derived = derive(design);
  return derived.once("supply nets", () => {
    const byNet = new Map<string, Wire[]>();
    for (const wire of wiresOf(design)) byNet.set(wire.netId, [...(byNet.get(wire.netId) ?? []), wire]);
    return (
      derived.nets
        .filter(({ role }) => role === "supply" || role === "ground")
        // What another part of the device has of its own hangs on the plug of its link.
        .filter(({ id }) => plainNet(id) === id)
        .flatMap((net) => {
          const wires = byNet.get(net.id) ?? [];
          const root = rootOf(net, wires);
          return root === null ? [] : [{ net, root, wires, branches: branchesOf(net, wires) }];
        })
    );
  });
}
