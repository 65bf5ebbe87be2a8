import type { ElementKind } from "../../catalogue/kinds/controlKind";
import type { Control } from "../../catalogue/kinds";
import { circuitKindOf } from "../../circuits";
import type { Chip } from "../../circuits/chip";
import type { PlacedElement } from "../../circuits/net";
import { type Derived, derive } from "../../derived/derive";
import type { PlacedController } from "../../derived/placedController";
import type { Design } from "../../document/schema";
import { everyNetOf } from "../../wires/netlist";
import { INLINE_ENDS, contactNumbers, inlineKey, partNames } from "../../wires/partNames";
import { smallPartValues } from "../../power/smallPartValues";

export type SymbolName =
  | "switch"
  | "lamp"
  | "diode"
  | "resistor"
  | "fuse"
  | "track"
  | "motor"
  | "sounder"
  | "bipolar"
  | "field-effect"
  | "posts"
  | "box";

/** One end of what is drawn, with the name of its net; null where it stays open. */
export interface UnitEnd {
  name: string;
  number: number;
  net: string | null;
  /** On which side of a box it stands. */
  side: "left" | "right";
}

/** What is drawn as one symbol: a small part, an added part, an element of a control, or a controller. */
export interface Unit {
  /** The part's name in the netlist; a control with several elements is drawn in as many units. */
  part: string;
  /** What stands beneath the name: value, title, or what the control is called on the device. */
  note: string;
  symbol: SymbolName;
  ends: UnitEnd[];
}

/** A sheet's worth of units: one function of the device. */
export interface UnitSheet {
  title: string;
  units: Unit[];
}

type NetOf = (part: string, number: number) => string | null;

const SYMBOLS: Record<ElementKind, SymbolName> = {
  switch: "switch",
  quadrature: "box",
  lamp: "lamp",
  analog: "track",
  device: "box",
  light: "box",
  output: "motor",
};

/** A light is passed through from left to right. */
const LIGHT_SIDES = new Map<string, UnitEnd["side"]>([
  ["in", "left"],
  ["out", "right"],
  ["plus", "right"],
  ["minus", "left"],
]);

const symbolOf = (element: PlacedElement): SymbolName =>
  element.kind === "output" && element.end === "sound" ? "sounder" : SYMBOLS[element.kind];

const sideOf = (nth: number, count: number) => (nth < Math.ceil(count / 2) ? "left" : "right");

/** What the control is called, where its name in the netlist leaves signs of it out, and which of its elements it is. */
function noteOf(control: Control, part: string, { end }: PlacedElement, elements: number): string {
  const isSame = control.label.replace(/[^A-Za-z0-9]+/g, "_") === part;
  return [isSame ? "" : control.label, elements === 1 ? "" : end].filter((word) => word !== "").join(", ");
}

function elementUnit(derived: Derived, netOf: NetOf, element: PlacedElement): Unit {
  const control = derived.controls.get(element.controlId)!;
  const part = partNames(derived.design).controls.get(control.id)!;
  const numbers = derived.once("contact numbers", () => contactNumbers(derived.design));
  const counts = derived.once("elements of a control", () => {
    const all = new Map<string, number>();
    for (const { controlId } of derived.elements.values()) all.set(controlId, (all.get(controlId) ?? 0) + 1);
    return all;
  });
  return {
    part,
    note: noteOf(control, part, element, counts.get(control.id)!),
    symbol: symbolOf(element),
    ends: element.contacts.map(({ id, name }, nth) => {
      const { number } = numbers.get(id)!;
      const side =
        (element.kind === "light" ? LIGHT_SIDES.get(name) : undefined) ?? sideOf(nth, element.contacts.length);
      return { name, number, net: netOf(part, number), side };
    }),
  };
}

function chipSymbol({ part, terminals }: Chip): SymbolName {
  if (part === "transistor") return terminals.some(({ name }) => name === "B") ? "bipolar" : "field-effect";
  if (part === "fuse") return "fuse";
  return part === "terminal" || part === "selector" ? "posts" : "box";
}

/** Terminals stand as on the package: down its left side, up its right one. */
function chipUnit(derived: Derived, netOf: NetOf, chip: Chip): Unit {
  const part = partNames(derived.design).chips.get(chip.id)!;
  const symbol = chipSymbol(chip);
  const ends = chip.terminals.map(({ name }, nth): UnitEnd => ({
    name,
    number: nth + 1,
    net: netOf(part, nth + 1),
    side: symbol === "posts" ? "right" : sideOf(nth, chip.terminals.length),
  }));
  const left = ends.filter(({ side }) => side === "left");
  const right = ends.filter(({ side }) => side === "right");
  return { part, note: chip.title, symbol, ends: symbol === "box" ? [...left, ...right.reverse()] : ends };
}

function controllerUnit({ profile }: PlacedController, part: string, netOf: NetOf): Unit {
  const pins = (profile?.pins ?? []).map((pin, nth) => ({ pin, nth }));
  const ends = [...pins]
    .sort((a, b) => a.pin.yMm - b.pin.yMm || a.nth - b.nth)
    .map(({ pin, nth }): UnitEnd => ({
      name: pin.name,
      number: nth + 1,
      net: netOf(part, nth + 1),
      side: pin.xMm <= 0 ? "left" : "right",
    }));
  return { part, note: profile?.title ?? "", symbol: "box", ends };
}

function smallUnit(sort: "diode" | "resistor", part: string, derived: Derived, netOf: NetOf): Unit {
  const values = derived.once("small part values", () => smallPartValues(derived.design));
  return {
    part,
    note: values.get(part) ?? "",
    symbol: sort,
    ends: INLINE_ENDS[sort].map((name, nth) => ({
      name,
      number: nth + 1,
      net: netOf(part, nth + 1),
      side: nth === 0 ? "left" : "right",
    })),
  };
}

/** What the nth circuit adds, and the elements that it holds; the supply comes after the circuits. */
function unitsOfCircuit(
  derived: Derived,
  netOf: NetOf,
  nth: number,
  held: PlacedElement[],
  shown: Set<string>,
): Unit[] {
  const { design, builtCircuits } = derived;
  const names = partNames(design);
  const { chips, inline, shunts } = builtCircuits[nth];
  const own = shunts.filter(({ id }) => !shown.has(id));
  for (const { id } of own) shown.add(id);
  return [
    ...chips.map((chip) => chipUnit(derived, netOf, chip)),
    ...held.map((element) => elementUnit(derived, netOf, element)),
    ...inline.map((one) => smallUnit(one.sort, names.inlines.get(inlineKey(one))!, derived, netOf)),
    ...own.map(({ id, sort }) => smallUnit(sort, names.shunts.get(id)!, derived, netOf)),
  ];
}

const titleOf = (name: string, kind: string) => (name.toLowerCase() === kind.toLowerCase() ? name : `${name}: ${kind}`);

/** Everything that the netlist knows, by function: the supply, each controller, each circuit, and what no circuit holds. */
export function unitSheets(design: Design): UnitSheet[] {
  const derived = derive(design);
  const nets = new Map<string, string>();
  for (const { name, pins } of everyNetOf(design))
    for (const { part, number } of pins) nets.set(`${part} ${number}`, name);
  const netOf: NetOf = (part, number) => nets.get(`${part} ${number}`) ?? null;
  const shown = new Set<string>();
  const taken = new Set<string>();
  const circuits = design.circuits.map((circuit, nth) => {
    const ids = circuitKindOf(circuit).members(circuit);
    const held = ids.flatMap((id) => (taken.has(id) ? [] : (derived.elements.get(id) ?? [])));
    for (const { id } of held) taken.add(id);
    return {
      title: titleOf(circuit.name, circuitKindOf(circuit).title),
      units: unitsOfCircuit(derived, netOf, nth, held, shown),
    };
  });
  const supply = unitsOfCircuit(derived, netOf, design.circuits.length, [], shown);
  const links = derived.linkEnds.flatMap((_, nth) =>
    unitsOfCircuit(derived, netOf, design.circuits.length + 1 + nth, [], shown),
  );
  const controllers = derived.controllers.map((placed, nth) => controllerUnit(placed, `A${nth + 1}`, netOf));
  const loose = [...derived.elements.values()].filter(({ id }) => !taken.has(id));
  return [
    { title: "Controller and supply", units: [...controllers.filter(({ ends }) => ends.length > 0), ...supply] },
    ...circuits,
    { title: "Links between controllers", units: links },
    { title: "Not in a circuit yet", units: loose.map((element) => elementUnit(derived, netOf, element)) },
  ].filter(({ units }) => units.length > 0);
}
