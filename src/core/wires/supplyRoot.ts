import type { LightChain } from "../circuits/lightChain";
import { RAIL_5V, type Net, plainNet } from "../circuits/net";
import { type Derived } from "../derived/derive";
import { SUPPLY_STEM } from "../derived/supplyParts";

const startsAt = (...names: string[]) => {
  const ids = names.map((name) => `${SUPPLY_STEM}.${name}`);
  return (end: string) => ids.some((id) => end.startsWith(id));
};

/**
 * Where current enters a net of supply or ground among its ends: at the jumper or the terminal that feeds it, at the
 * ring of the diode before it, else at its first end. The module's pad comes before all of these where the net has one.
 */
export function supplyRoot(net: Pick<Net, "id">, ends: string[]): string | null {
  const ways =
    plainNet(net.id) === RAIL_5V
      ? [startsAt("JP1.rail")]
      : [startsAt("J1.plus", "J2.plus", "F1.2"), startsAt("J1", "J2")];
  for (const way of [...ways, (end: string) => /diode\.2$/.test(end)]) {
    const found = ends.find(way);
    if (found !== undefined) return found;
  }
  return ends[0] ?? null;
}

/** Ends of lights that a net feeds once more, by a wire of their own from its root. */
export function fedAgain(net: Net, { design, elements }: Derived): string[] {
  if (net.role !== "supply" && net.role !== "ground") return [];
  const wanted = design.circuits
    .filter((circuit): circuit is LightChain => circuit.kind === "light-chain")
    .flatMap(({ feedAt, members }) => feedAt.filter((id) => members.includes(id)));
  const name = net.role === "ground" ? "minus" : "plus";
  const contacts = new Set(
    wanted.flatMap((id) => elements.get(id)?.contacts.find((contact) => contact.name === name)?.id ?? []),
  );
  return contacts.size === 0 ? [] : net.joints.map(({ contactId }) => contactId).filter((id) => contacts.has(id));
}
