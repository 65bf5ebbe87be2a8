import type { Pin } from "../catalogue/controllers/controllerProfile";
import type { InlinePart } from "../circuits/circuitKind";
import { type Chip, terminalPlace } from "../circuits/chip";
import { GROUND } from "../circuits/net";
import { netOfHalf } from "../derived/halves";
import { derive } from "../derived/derive";
import type { PlacedController } from "../derived/placedController";
import type { Design } from "../document/schema";
import { type Point, distanceMm, place, point } from "../geometry/point";
import { pinPlace } from "../pins/pinPlace";
import { INLINE_ENDS, type PartNames, contactNumbers, inlineKey, partNames } from "./partNames";

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

interface Ends {
  near: NetlistPin;
  far: NetlistPin;
}

/** Directions in which an added part can lie from its contact, the part's own first. */
const TURNS_DEG = [0, 90, 180, 270, 45, 135, 225, 315];
/** Lengths to which leads are bent, the usual one first. */
const BENDS_MM = [INLINE_MM, 10.16, 12.7, 15.24, 20.32, 25.4];

/** Ends nearer to each other than this would share a pad. */
const PAD_MM = 1.9;

/** Where the far end of a part from a contact lies, clear of every pad that is known so far. */
function farEnd(at: Point, rotationDeg: number, taken: Point[]): Point {
  const places = BENDS_MM.flatMap((bend) =>
    TURNS_DEG.map((turn) => place(point(bend, 0), { ...at, rotationDeg: rotationDeg + turn })),
  );
  return places.find((end) => taken.every((pad) => distanceMm(pad, end) >= PAD_MM)) ?? places[0];
}

/** The two ends of an added diode or resistor: one at the contact, one where its net goes on. */
function inlineEnds(inline: InlinePart, part: string, at: Point, far: Point): Ends {
  const [first, second] = INLINE_ENDS[inline.sort];
  const [nearEnd, farEndName] = inline.onContact === "cathode" ? [second, first] : [first, second];
  const number = (end: string) => (end === first ? 1 : 2);
  return {
    near: { part, end: nearEnd, number: number(nearEnd), at },
    far: { part, end: farEndName, number: number(farEndName), at: far },
  };
}

/** Pads of the module on each net. */
function modulePins(design: Design): Map<string, NetlistPin[]> {
  const byNet = new Map<string, NetlistPin[]>();
  const { controllers } = derive(design);
  controllers.forEach((placed, nth) => addModulePins(byNet, design, placed, `A${nth + 1}`));
  return byNet;
}

function addModulePins(
  byNet: Map<string, NetlistPin[]>,
  design: Design,
  { controller, profile }: PlacedController,
  part: string,
) {
  const nets = derive(design).nets.filter(({ controllerId }) => controllerId === controller.id);
  if (!profile || nets.length === 0) return;
  const netOfPad = new Map<Pin, string>();
  const ground = netOfHalf(design, controller.id, GROUND);
  const own = Object.entries(design.pinPlan).filter(([, { controllerId }]) => controllerId === controller.id);
  const ownNet = new Map(own.map(([netId, { pin }]) => [pin, netId]));
  for (const pin of profile.pins) {
    if (pin.role === "ground") netOfPad.set(pin, ground);
    else if (pin.role === "io" && ownNet.has(pin.name)) netOfPad.set(pin, ownNet.get(pin.name)!);
  }
  for (const { id } of [...nets].reverse()) for (const pad of derive(design).padsOf(id, profile)) netOfPad.set(pad, id);
  profile.pins.forEach((pin, nth) => {
    const netId = netOfPad.get(pin);
    if (netId === undefined) return;
    const entry = { part, end: pin.name, number: nth + 1, at: pinPlace(controller, pin) };
    byNet.set(netId, [...(byNet.get(netId) ?? []), entry]);
  });
}

/** Parts and nets on their way into a list: each net's ends, and the pads that are taken. */
interface Listing {
  nets: Map<string, NetlistNet>;
  extra: NetlistNet[];
  pads: Point[];
}

function addInline(listing: Listing, design: Design, inline: InlinePart, part: string, own: NetlistPin): NetlistPin {
  const { elements, controls } = derive(design);
  const control = controls.get(elements.get(inline.elementId)!.controlId)!;
  const end = farEnd(own.at, control.placement.rotationDeg, listing.pads);
  listing.pads.push(end);
  const { near, far } = inlineEnds(inline, part, own.at, end);
  listing.extra.push({ name: `${near.part}_${near.end}`, pins: [own, near] });
  return far;
}

function addShunts(listing: Listing, design: Design, names: PartNames) {
  for (const shunt of derive(design).shunts) {
    const part = names.shunts.get(shunt.id)!;
    const [first, second] = INLINE_ENDS[shunt.sort];
    const from = farEnd(shunt.at, 90, listing.pads);
    const to = farEnd(from, 0, [...listing.pads, from]);
    listing.pads.push(from, to);
    listing.nets.get(shunt.from)?.pins.push({ part, end: first, number: 1, at: from });
    listing.nets.get(shunt.to)?.pins.push({ part, end: second, number: 2, at: to });
  }
}

/**
 * Parts and nets as a board maker sees them: every diode and resistor is a part of its own, so that the contact before
 * one in a lead is a net of its own. Nets are told apart by their ids, whatever their parts are called; those with a
 * single end are left out.
 */
export const netlistOf = (design: Design): NetlistNet[] => everyNetOf(design).filter(({ pins }) => pins.length > 1);

/** The same with nets of a single end: what waits for a pin of the controller. */
export function everyNetOf(design: Design): NetlistNet[] {
  const { nets, builtCircuits, chips } = derive(design);
  const names = partNames(design);
  const contacts = contactNumbers(design);
  const inlines = new Map(builtCircuits.flatMap(({ inline }) => inline.map((one) => [inlineKey(one), one])));
  const onModule = modulePins(design);
  const chipById = new Map(chips.map((chip) => [chip.id, chip]));
  const pads = nets.flatMap(({ joints }) => joints.map(({ at }) => at));
  const listing: Listing = { nets: new Map(), extra: [], pads };
  const { shuntById } = derive(design);
  for (const net of nets) {
    const own = net.joints.filter(({ controlId }) => !shuntById.has(controlId));
    const pins = own.map((joint): NetlistPin => {
      const chip = joint.elementId === "" ? chipById.get(joint.controlId) : undefined;
      if (chip) return chipPin(chip, joint.contactId, names.chips.get(chip.id)!);
      const { end, number, controlId } = contacts.get(joint.contactId)!;
      const own = { part: names.controls.get(controlId)!, end, number, at: joint.at };
      const key = inlineKey({ contactId: joint.contactId, netId: net.id });
      const inline = inlines.get(key);
      return inline ? addInline(listing, design, inline, names.inlines.get(key)!, own) : own;
    });
    listing.nets.set(net.id, { name: net.flag, pins: [...pins, ...(onModule.get(net.id) ?? [])] });
  }
  addShunts(listing, design, names);
  const taken = new Set([...listing.nets.values()].map(({ name }) => name));
  const extra = listing.extra.map(({ name, pins }) => {
    let own = name;
    for (let number = 2; taken.has(own); number++) own = `${name}_${number}`;
    taken.add(own);
    return { name: own, pins };
  });
  return [...listing.nets.values(), ...extra];
}

function chipPin(chip: Chip, contactId: string, part: string): NetlistPin {
  const nth = chip.terminals.findIndex(({ name }) => `${chip.id}.${name}` === contactId);
  return { part, end: chip.terminals[nth].name, number: nth + 1, at: terminalPlace(chip, nth) };
}
