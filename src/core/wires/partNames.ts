import type { InlinePart } from "../circuits/circuitKind";
import { derive } from "../derived/derive";
import type { Design } from "../document/schema";

/** Ends of a small part, by their numbers from 1; a resistor's are alike. */
export const INLINE_ENDS: Record<InlinePart["sort"], [near: string, far: string]> = {
  diode: ["A", "K"],
  resistor: ["1", "2"],
};

/** What each part is called: no two alike, also where labels look alike once their odd signs are gone. */
export interface PartNames {
  controls: Map<string, string>;
  chips: Map<string, string>;
  /** By contact and net. */
  inlines: Map<string, string>;
  shunts: Map<string, string>;
}

export const inlineKey = ({ contactId, netId }: Pick<InlinePart, "contactId" | "netId">) => `${contactId} ${netId}`;

/** The names of a design's parts, worked out once. */
export const partNames = (design: Design): PartNames => derive(design).once("part names", () => named(design));

function named(design: Design): PartNames {
  const { chips, shunts, elements, builtCircuits } = derive(design);
  const taken = new Set(["A1", ...design.controllers.map((_, nth) => `A${nth + 1}`)]);
  const give = (wish: string) => {
    const stem = wish.replace(/[^A-Za-z0-9]+/g, "_").replace(/^_+|_+$/g, "") || "P";
    let name = stem;
    for (let number = 2; taken.has(name); number++) name = `${stem}_${number}`;
    taken.add(name);
    return name;
  };
  const all = <T>(list: T[], idOf: (one: T) => string, wish: (one: T) => string) =>
    new Map(list.map((one) => [idOf(one), give(wish(one))]));
  const byId = ({ id }: { id: string }) => id;
  const controls = all(design.controls, byId, ({ label }) => label);
  const wish = ({ sort, elementId }: InlinePart) => {
    const element = elements.get(elementId)!;
    const stem = `${sort === "diode" ? "D" : "R"}_${controls.get(element.controlId)}`;
    return element.end === "press" || sort === "resistor" ? stem : `${stem}_${element.end}`;
  };
  return {
    controls,
    chips: all(chips, byId, ({ id }) => id.toUpperCase()),
    inlines: all(
      builtCircuits.flatMap(({ inline }) => inline),
      inlineKey,
      wish,
    ),
    shunts: all(shunts, byId, ({ sort, id }) => `${sort === "diode" ? "D" : "R"}_${id.toUpperCase()}`),
  };
}

/** A diode or resistor of the netlist: its name there, and what is printed on it where the circuit says so. */
export interface SmallPart {
  part: string;
  sort: InlinePart["sort"];
  value: string | null;
  /** The element in whose lead it stands; null for one between two nets. */
  elementId: string | null;
}

/** Every diode and resistor, those in leads first. */
export function smallPartsOf(design: Design): SmallPart[] {
  const { builtCircuits, shunts } = derive(design);
  const names = partNames(design);
  const inLeads = builtCircuits.flatMap(({ inline }) => inline);
  return [
    ...inLeads.map((one) => ({
      part: names.inlines.get(inlineKey(one))!,
      sort: one.sort,
      value: one.sort === "diode" ? "1N4148" : null,
      elementId: one.elementId,
    })),
    ...shunts.map(({ id, sort, value }) => ({ part: names.shunts.get(id)!, sort, value, elementId: null })),
  ];
}

/** Where a contact stands in its control's row of contacts, counted from 1. */
export function contactNumbers(design: Design): Map<string, { end: string; number: number; controlId: string }> {
  const numbers = new Map<string, { end: string; number: number; controlId: string }>();
  const counts = new Map<string, number>();
  for (const element of derive(design).elements.values())
    for (const contact of element.contacts) {
      const number = (counts.get(element.controlId) ?? 0) + 1;
      counts.set(element.controlId, number);
      numbers.set(contact.id, { end: contact.name, number, controlId: element.controlId });
    }
  return numbers;
}
