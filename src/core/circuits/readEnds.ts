import type { Net, NetRole, PinNeed, PlacedElement } from "./net";
import type { CircuitBuilder } from "./circuitBuilder";

/** One line to read of an element: which contact it is on, and the contact's name in the simulation. */
export interface ReadEnd {
  net: Net;
  element: PlacedElement;
}

const ends = (element: PlacedElement): { part: "" | "A" | "B"; contact: number; role: NetRole }[] =>
  element.kind === "quadrature"
    ? [
        { part: "A", contact: 0, role: "quadrature-a" },
        { part: "B", contact: 1, role: "quadrature-b" },
      ]
    : [{ part: "", contact: 0, role: "switch" }];

/** How many lines an element takes where each end is read by itself. */
export const endCount = (element: Pick<PlacedElement, "kind">): number => (element.kind === "quadrature" ? 2 : 1);

/**
 * Nets of a switch or a quadrature pair whose ends are each read by themselves: closed contacts pull them to the other
 * side, which is ground unless told otherwise. `need` is what a pin on such a net must do; null when a part reads it.
 */
export function readEnds(
  builder: CircuitBuilder,
  element: PlacedElement,
  need: PinNeed | null,
  more: Partial<Net> & { common?: Net } = {},
): ReadEnd[] {
  const { common = builder.ground, ...fields } = more;
  const { built } = builder;
  const read = ends(element).map(({ part, contact, role }) => {
    const id = part === "" ? element.id : `${element.id}/${part}`;
    const flag = part === "" ? element.label : `${element.label} ${part}`;
    const wants = need && part !== "" ? { ...need, interrupt: true } : need;
    const net = builder.joint(builder.net(id, flag, role, wants, fields), element, contact);
    // A line that a contact pulls up is read the other way round, so closed always reads low in the simulation.
    built.conductors.push({ contact: id, from: id, to: builder.ground.id, diode: false });
    return { net, element };
  });
  builder.joint(common, element, element.kind === "quadrature" ? 2 : 1);
  if (element.kind === "quadrature")
    built.encoders.push({
      elementId: element.id,
      netA: `${element.id}/A`,
      netB: `${element.id}/B`,
      statesPerStep: element.turning!.statesPerStep,
    });
  else built.groups.push({ strobeNet: null, cells: [{ senseNet: element.id, elementId: element.id }] });
  return read;
}

/** Whether an element is read as one or two levels. */
export const isRead = (element: Pick<PlacedElement, "kind">): boolean =>
  element.kind === "switch" || element.kind === "quadrature";
