import type { InlinePart } from "../circuits/circuitKind";
import { terminalPlace } from "../circuits/chip";
import { derive } from "../design/derive";
import type { Design } from "../design/schema";
import { type Point, place, point } from "../layout/point";
import { pinPlace } from "../pins/pinPlace";

/** One end of a part on a net. */
export interface NetlistPin {
  /** The part's short name: K4, D_K4, MUX_U1, A1 for the controller. */
  part: string;
  /** Its end's name, and its number counted from 1. */
  end: string;
  number: number;
  at: Point;
}

export interface NetlistNet {
  name: string;
  pins: NetlistPin[];
}

/** A diode or resistor lies from its contact on, along the part; its leads are bent to this (0.3 inch, common practice). */
const INLINE_MM = 7.62;

const INLINE_ENDS: Record<InlinePart["sort"], [near: string, far: string]> = {
  diode: ["A", "K"],
  resistor: ["1", "2"],
};

/** Names that differ, also where two labels look alike once their odd signs are gone. */
function partNames(design: Design): Map<string, string> {
  const names = new Map<string, string>();
  const taken = new Set(["A1"]);
  const give = (id: string, wish: string) => {
    const stem = wish.replace(/[^A-Za-z0-9]+/g, "_").replace(/^_+|_+$/g, "") || "P";
    let name = stem;
    for (let number = 2; taken.has(name); number++) name = `${stem}_${number}`;
    taken.add(name);
    names.set(id, name);
  };
  for (const { id, label } of design.controls) give(id, label);
  for (const { id } of derive(design).chips) give(id, id.toUpperCase());
  return names;
}

interface Ends {
  near: NetlistPin;
  far: NetlistPin;
}

/** The two ends of an added diode or resistor: one at the contact, one where its net goes on. */
function inlineEnds(inline: InlinePart, names: Map<string, string>, design: Design): Ends {
  const { elements, controls } = derive(design);
  const element = elements.get(inline.elementId)!;
  const contact = element.contacts.find(({ id }) => id === inline.contactId)!;
  const control = controls.get(element.controlId)!;
  const shift = place(point(INLINE_MM, 0), { xMm: 0, yMm: 0, rotationDeg: control.placement.rotationDeg });
  const stem = `${inline.sort === "diode" ? "D" : "R"}_${names.get(control.id)}`;
  const part =
    element.id.endsWith(":press") || inline.sort === "resistor" ? stem : `${stem}_${element.id.split(":")[1]}`;
  const [first, second] = INLINE_ENDS[inline.sort];
  const [near, far] = inline.onContact === "cathode" ? [second, first] : [first, second];
  const number = (end: string) => (end === first ? 1 : 2);
  return {
    near: { part, end: near, number: number(near), at: contact.at },
    far: {
      part,
      end: far,
      number: number(far),
      at: point(contact.at.xMm + shift.xMm, contact.at.yMm + shift.yMm),
    },
  };
}

/** Where a contact stands in its control's row of contacts, counted from 1. */
function contactNumbers(design: Design): Map<string, { end: string; number: number; controlId: string }> {
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

/** Pads of the module on each net. */
function modulePins(design: Design): Map<string, NetlistPin[]> {
  const { controller, profile } = derive(design);
  const byNet = new Map<string, NetlistPin[]>();
  if (!controller || !profile) return byNet;
  const add = (netId: string, nth: number) => {
    const pin = profile.pins[nth];
    const entry = { part: "A1", end: pin.name, number: nth + 1, at: pinPlace(controller, pin) };
    byNet.set(netId, [...(byNet.get(netId) ?? []), entry]);
  };
  const netOfPin = new Map(Object.entries(design.pinPlan).map(([netId, { pin }]) => [pin, netId]));
  profile.pins.forEach((pin, nth) => {
    if (pin.role === "ground") add("GND", nth);
    else if (pin.role === "logic-supply") add("V+", nth);
    else if (pin.role === "io" && netOfPin.has(pin.name)) add(netOfPin.get(pin.name)!, nth);
  });
  return byNet;
}

/**
 * Parts and nets as a board maker sees them: every diode and lamp resistor is a part of its own, so that the contact
 * before it is a net of its own. Nets with a single end are left out.
 */
export function netlistOf(design: Design): NetlistNet[] {
  const { nets, plans, chips } = derive(design);
  const names = partNames(design);
  const contacts = contactNumbers(design);
  const inlines = new Map(plans.flatMap(({ inline }) => inline.map((one) => [`${one.contactId} ${one.netId}`, one])));
  const onModule = modulePins(design);
  const extra: NetlistNet[] = [];
  const main = nets.map((net): NetlistNet => {
    const pins = net.taps.map((tap): NetlistPin => {
      const chip = tap.elementId === "" ? chips.find(({ id }) => id === tap.controlId) : undefined;
      if (chip) {
        const nth = chip.terminals.findIndex(({ name }) => `${chip.id}.${name}` === tap.contactId);
        return {
          part: names.get(chip.id)!,
          end: chip.terminals[nth].name,
          number: nth + 1,
          at: terminalPlace(chip, nth),
        };
      }
      const { end, number, controlId } = contacts.get(tap.contactId)!;
      const own = { part: names.get(controlId)!, end, number, at: tap.at };
      const inline = inlines.get(`${tap.contactId} ${net.id}`);
      if (!inline) return own;
      const { near, far } = inlineEnds(inline, names, design);
      extra.push({ name: `${near.part}_${near.end}`, pins: [own, near] });
      return far;
    });
    return { name: net.flag, pins: [...pins, ...(onModule.get(net.id) ?? [])] };
  });
  return [...main, ...extra].filter(({ pins }) => pins.length > 1);
}
