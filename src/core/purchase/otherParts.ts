import type { Control } from "../catalogue/kinds";
import { controllerCatalogue } from "../catalogue/controllers";
import { type ControllerProfile, usablePins } from "../catalogue/controllers/controllerProfile";
import { priceOf } from "../catalogue/prices";
import { derive } from "../derived/derive";
import type { Design } from "../document/schema";
import { eSeries } from "../electrics/eSeries";
import { ohmOf, ohmWords } from "../electrics/ohmWords";
import { partNames } from "../wires/partNames";
import type { PartsLine } from "./partsLine";
import { substitutesFor } from "./substitutes";

/** Something else in the place of a line's parts. */
export interface OtherPart {
  title: string;
  /** Money units a piece more or less, at usual prices; null where nobody knows. */
  dearer: number | null;
  /** Empty: it goes in as it is. */
  differences: string[];
  /** The part that controls take by a click. */
  partId: string | null;
}

/** Which of the design's controls a line is about. */
export function controlOf(design: Design, { of }: PartsLine): Control | null {
  const names = partNames(design).controls;
  return design.controls.find(({ id }) => names.get(id) === of[0]) ?? null;
}

const forControls = (design: Design, line: PartsLine): OtherPart[] => {
  const control = controlOf(design, line);
  return control ? substitutesFor(design, control) : [];
};

/** What somebody who takes another class has to look at again; pins are planned anew in any case. */
function classDifferences(design: Design, controllerId: string, now: ControllerProfile, other: ControllerProfile) {
  const nets = Object.values(design.pinPlan).filter((choice) => choice.controllerId === controllerId).length;
  const pins = usablePins(other).length;
  const size = ({ widthMm, heightMm }: ControllerProfile) => `${widthMm} × ${heightMm} mm`;
  const speaks = ({ firmware }: ControllerProfile) =>
    firmware.compiled !== "no" ? "runs compiled firmware" : "runs Python only";
  return [
    ...(pins < nets ? [`too few pins: ${nets} are used, it has ${pins}`] : [`${pins} usable pins, ${nets} are used`]),
    ...(other.logicV === now.logicV ? [] : [`${other.logicV} V logic in place of ${now.logicV} V`]),
    ...(size(other) === size(now) ? [] : [`${size(other)} in place of ${size(now)}`]),
    ...(other.form === now.form
      ? []
      : [other.form === "chip" ? "a bare chip: it needs its own board" : "a ready module"]),
    ...(speaks(other) === speaks(now) ? [] : [speaks(other)]),
    "its pins are planned anew",
  ];
}

function forControllers(design: Design, { of }: PartsLine): OtherPart[] {
  const placed = derive(design).controllers[Number(/^A(\d+)$/.exec(of[0] ?? "")?.[1] ?? 0) - 1];
  const now = placed?.profile;
  if (!now) return [];
  const price = (profile: ControllerProfile) => priceOf(profile.id, design.brief.prices, profile.price);
  return controllerCatalogue
    .filter(({ id }) => id !== now.id)
    .map((other) => ({
      title: other.title,
      dearer: price(other) - price(now),
      differences: classDifferences(design, placed.controller.id, now, other),
      partId: null,
    }))
    .sort((a, b) => a.differences.length - b.differences.length || a.dearer - b.dearer);
}

/** Families of 74-series logic: supply in V, and what is different (JEDEC JESD7A and the usual data sheets, from memory). */
const FAMILIES = [
  { id: "HC", leastV: 2, mostV: 6, note: "inputs are high from 0.7 of the supply" },
  { id: "HCT", leastV: 4.5, mostV: 5.5, note: "inputs are high from 2 V: also for 3.3 V signals" },
  { id: "AHC", leastV: 2, mostV: 5.5, note: "three times faster edges" },
  { id: "AHCT", leastV: 4.5, mostV: 5.5, note: "inputs are high from 2 V, faster edges" },
  { id: "LV", leastV: 2, mostV: 5.5, note: "weaker outputs at 3.3 V" },
];

function forLogic(design: Design, { name }: PartsLine): OtherPart[] {
  const [, family, number] = /^74([A-Z]+)(\d+)/.exec(name) ?? [];
  if (!FAMILIES.some(({ id }) => id === family)) return [];
  const volt = derive(design).profile?.logicV ?? 5;
  return FAMILIES.filter(({ id }) => id !== family).map(({ id, leastV, mostV, note }) => ({
    title: `74${id}${number}`,
    dearer: null,
    differences: [
      ...(volt < leastV || volt > mostV ? [`wants ${leastV} to ${mostV} V, here are ${volt} V`] : []),
      note,
    ],
    partId: null,
  }));
}

const times = (factor: number) => `${factor.toFixed(2)} times`;

/** The next values that are sold on both sides: what flows through a resistor falls as it rises, what it charges takes longer. */
function forResistor(ohm: number): OtherPart[] {
  const tenfold = 10 ** Math.floor(Math.log10(ohm));
  const sold = [0.1, 1, 10].flatMap((by) => eSeries.E12.map((value) => value * by * tenfold));
  const rising = sold.sort((a, b) => a - b);
  const near = [rising.filter((value) => value < ohm * 0.999).at(-1), rising.find((value) => value > ohm * 1.001)];
  return near
    .filter((value) => value !== undefined)
    .map((value) => ({
      title: `Resistor ${ohmWords(Number(value.toPrecision(3)))}`,
      dearer: 0,
      differences: [
        `${times(ohm / value)} the current through it`,
        `${times(value / ohm)} the time in which it charges a line`,
      ],
      partId: null,
    }));
}

/** Small signal diodes that stand in for each other: same terminals and voltage, a little more or less drop (data sheets, from memory). */
const DIODES = [
  { name: "1N4148", note: "0.7 V at 5 mA" },
  { name: "1N914", note: "0.7 V at 5 mA: the same but for its leads" },
  { name: "1N4448", note: "0.7 V at 5 mA, less at more current" },
  { name: "BAT85", note: "0.3 V at 5 mA, leaks more when it is hot: low levels are lower" },
];

const forDiode = (name: string): OtherPart[] =>
  DIODES.some((one) => name === `Diode ${one.name}`)
    ? DIODES.filter((one) => name !== `Diode ${one.name}`).map((one) => ({
        title: `Diode ${one.name}`,
        dearer: null,
        differences: [one.note],
        partId: null,
      }))
    : [];

function forSmallParts(line: PartsLine): OtherPart[] {
  const ohm = ohmOf(line.name.replace(/^Resistor /, ""));
  return ohm === null ? forDiode(line.name) : forResistor(ohm);
}

/** What else could be bought for a line, and what in the design would be different. */
export function otherParts(design: Design, line: PartsLine): OtherPart[] {
  if (line.group === "controls") return forControls(design, line);
  if (line.group === "controllers") return forControllers(design, line);
  if (line.group === "added parts") return forLogic(design, line);
  return line.group === "small parts" ? forSmallParts(line) : [];
}
