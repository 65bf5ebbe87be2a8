import { type Binding, phraseOf } from "../bindings";
import { kindNamed } from "../catalogue/kinds";
import type { Control } from "../catalogue/kinds";
import { derive } from "../derived/derive";
import type { Design } from "../document/schema";
import { phraseContextOf } from "../keymap/phraseContext";
import { type Change, type Json, ORDER, changesBetween } from "./structure";

/** What people mean by a difference. */
export const differenceSorts = [
  "new",
  "gone",
  "moved",
  "renamed",
  "changed",
  "rewired",
  "repinned",
  "rebound",
  "settings",
  "record",
] as const;
export type DifferenceSort = (typeof differenceSorts)[number];

/** One line of a comparison: what it is about, in words, and the changes that it stands for. */
export interface Difference {
  sort: DifferenceSort;
  /** What it is about: a control, a net, a circuit, a part of the design. */
  about: string;
  words: string;
  controlIds: string[];
  changes: Change[];
}

/** Where a change belongs: its sort, and which of that sort. */
interface Home {
  sort: DifferenceSort;
  about: string;
  controlId?: string;
}

/** Every difference between two designs. Their changes, taken together, make the second of the first. */
export function differencesBetween(before: Design, after: Design): Difference[] {
  const plain = (design: Design): Json => JSON.parse(JSON.stringify(design)) as Json;
  const homes = new Map<string, { home: Home; changes: Change[] }>();
  for (const change of changesBetween(plain(before), plain(after))) {
    const home = withItsControl(homeOf(change, before, after), before, after);
    const key = `${home.sort} ${home.about}`;
    const known = homes.get(key);
    if (known) known.changes.push(change);
    else homes.set(key, { home, changes: [change] });
  }
  const order = (sort: DifferenceSort) => differenceSorts.indexOf(sort);
  return [...homes.values()]
    .map(({ home, changes }) => told(home, changes, before, after))
    .sort((one, other) => order(one.sort) - order(other.sort) || (one.about < other.about ? -1 : 1));
}

/** What a key was wired to and bound to goes and comes with the key: no lines of their own. */
function withItsControl(home: Home, before: Design, after: Design): Home {
  const { controlId } = home;
  if (controlId === undefined) return home;
  const [was, is] = [before, after].map((design) => controlIn(design, controlId) !== undefined);
  return was === is ? home : { sort: is ? "new" : "gone", about: controlId, controlId };
}

/** What was tested, built and noted is the record of a device, not the device. */
const RECORD = new Set(["journal", "bringUp", "build"]);

function homeOf({ path, before, after }: Change, ...designs: [Design, Design]): Home {
  const [top, second, third, fourth] = path;
  if (top === "controls" && second !== undefined && second !== ORDER) return controlHome(second, third, before, after);
  if (top === "controls" && second === ORDER) return orderHome(before as string[], after as string[]);
  if (top === "circuits")
    return third === "cells" && fourth !== undefined ? cellHome(fourth, designs) : wiringHome(second);
  if (top === "pinPlan") return { sort: "repinned", about: second ?? "pins" };
  if (top === "keymap" && isBinding(path)) return boundHome(path, designs);
  return { sort: RECORD.has(top) ? "record" : "settings", about: top };
}

const isBinding = ([, second, , fourth, fifth]: string[]) =>
  second === "layers" && fourth === "bindings" && fifth !== undefined;

const wiringHome = (circuitId = "circuits"): Home => ({ sort: "rewired", about: circuitId });

function cellHome(elementId: string, designs: Design[]): Home {
  const [controlId] = designs.flatMap((design) => derive(design).elements.get(elementId)?.controlId ?? []);
  return { sort: "rewired", about: elementId, ...(controlId === undefined ? {} : { controlId }) };
}

function controlHome(id: string, field: string | undefined, before: Json | undefined, after: Json | undefined): Home {
  const home = { about: id, controlId: id };
  if (field === undefined) {
    if (before === undefined) return { sort: "new", ...home };
    return { sort: after === undefined ? "gone" : "changed", ...home };
  }
  if (field === "placement") return { sort: "moved", ...home };
  return { sort: field === "label" ? "renamed" : "changed", ...home };
}

/** Where those that both have stand as they stood, the order is only where a new one came in or one went: part of that line. */
function orderHome(before: string[], after: string[]): Home {
  const [was, is] = [new Set(before), new Set(after)];
  const stay = (ids: string[]) => ids.filter((id) => was.has(id) && is.has(id));
  const [only] = [...before, ...after].filter((id) => !was.has(id) || !is.has(id)).sort();
  if (only === undefined || stay(before).join(" ") !== stay(after).join(" "))
    return { sort: "settings", about: "controls" };
  return { sort: is.has(only) ? "new" : "gone", about: only, controlId: only };
}

function boundHome(path: string[], designs: Design[]): Home {
  const [, , layerId, , inputId] = path;
  const inputs = designs.flatMap((design) => derive(design).inputs);
  const controlId = inputs.find(({ id }) => id === inputId)?.controlId;
  return { sort: "rebound", about: `${layerId} ${inputId}`, ...(controlId ? { controlId } : {}) };
}

function told(home: Home, changes: Change[], before: Design, after: Design): Difference {
  const controlIds = home.controlId === undefined ? [] : [home.controlId];
  return { sort: home.sort, about: home.about, words: wordsOf(home, changes, before, after), controlIds, changes };
}

const controlIn = (design: Design, id: string): Control | undefined => derive(design).controls.get(id);

type Words = (home: Home, changes: Change[], before: Design, after: Design) => string;

const wordsOf: Words = (home, changes, before, after) => WORDS[home.sort](home, changes, before, after);

/** What a control is called, and was. */
function controlsOf({ about, controlId }: Home, before: Design, after: Design) {
  const [was, is] = [before, after].map((design) => controlIn(design, controlId ?? about));
  return { was, is, name: is?.label ?? was?.label ?? about };
}

const isOrder = ({ path }: Change) => path.at(-1) === ORDER;

const settingWords: Words = ({ about }, changes) =>
  changes.every(isOrder)
    ? `${fieldWords(about)}: their order changed`
    : `${fieldWords(about)}: ${changes.length === 1 ? "one value" : `${changes.length} values`} changed`;

const WORDS: Record<DifferenceSort, Words> = {
  new: (home, _, before, after) => {
    const { is, name } = controlsOf(home, before, after);
    return `${name} is new: ${is ? kindNamed(is.kind).article : "a part"}`;
  },
  gone: (home, _, before, after) => `${controlsOf(home, before, after).name} is gone`,
  moved: (home, _, before, after) => {
    const { was, is, name } = controlsOf(home, before, after);
    return was && is ? movedWords(was, is) : `${name} moved`;
  },
  renamed: (home, _, before, after) => {
    const { was, is } = controlsOf(home, before, after);
    return `${was?.label ?? "What had no name"} is called ${is?.label ?? "nothing"}`;
  },
  changed: (home, changes, before, after) => {
    const fields = new Set(changes.map(({ path }) => fieldWords(path[2] ?? "part")));
    return `${controlsOf(home, before, after).name}: ${[...fields].join(", ")} changed`;
  },
  rewired: ({ about }, _, before, after) => rewiredWords(about, before, after),
  repinned: ({ about }, _, before, after) => repinnedWords(about, before, after),
  rebound: ({ about }, _, before, after) => reboundWords(about, before, after),
  settings: settingWords,
  record: settingWords,
};

/** "partId" as "part", "colourGroups" as "colour groups". */
const fieldWords = (field: string): string =>
  field
    .replace(/Ids?$/, "")
    .replace(/([a-z])([A-Z])/g, (_, one: string, other: string) => `${one} ${other.toLowerCase()}`);

const mm = (value: number) => `${Math.round(Math.abs(value) * 100) / 100} mm`;

function movedWords({ placement: was }: Control, { label, placement: is }: Control): string {
  const [x, y, turn] = [is.xMm - was.xMm, is.yMm - was.yMm, is.rotationDeg - was.rotationDeg];
  const parts = [
    ...(x === 0 ? [] : [`${mm(x)} ${x > 0 ? "right" : "left"}`]),
    ...(y === 0 ? [] : [`${mm(y)} ${y > 0 ? "nearer" : "farther"}`]),
    ...(turn === 0
      ? []
      : [`turned ${Math.round(Math.abs(turn) * 100) / 100}° ${turn > 0 ? "clockwise" : "anticlockwise"}`]),
    ...(was.boardId === is.boardId ? [] : ["to another board"]),
    ...(was.mirrored === is.mirrored ? [] : [is.mirrored ? "to the solder side" : "to the parts side"]),
  ];
  return `${label} moved ${parts.join(", ")}`;
}

/** Flags of the nets that an element is on. */
function netsOf(design: Design, elementId: string): string {
  const { nets } = derive(design);
  return nets
    .flatMap(({ flag, joints }) => (joints.some((joint) => joint.elementId === elementId) ? [flag] : []))
    .join(" ");
}

function rewiredWords(about: string, before: Design, after: Design): string {
  const label = [after, before]
    .map((design) => derive(design).elements.get(about)?.label)
    .find((one) => one !== undefined);
  const or = (flags: string) => flags || "nothing";
  if (label !== undefined) return `${label} is on ${or(netsOf(after, about))} instead of ${or(netsOf(before, about))}`;
  const names = [before, after].map(({ circuits }) => circuits.find(({ id }) => id === about)?.name);
  if (names[0] === undefined && names[1] !== undefined) return `${names[1]} is a new circuit`;
  if (names[0] !== undefined && names[1] === undefined) return `${names[0]} is no circuit any more`;
  return `${names[1] ?? "The circuits"}: wired in another way`;
}

function repinnedWords(netId: string, before: Design, after: Design): string {
  const flag =
    [after, before].map((design) => derive(design).netById.get(netId)?.flag).find((one) => one !== undefined) ?? netId;
  const pin = ({ pinPlan }: Design) => (Object.hasOwn(pinPlan, netId) ? `pin ${pinPlan[netId].pin}` : "no pin");
  const [was, is] = [pin(before), pin(after)];
  return was === is ? `${flag} is kept on ${is} in another way` : `${flag} is on ${is} instead of ${was}`;
}

function reboundWords(about: string, before: Design, after: Design): string {
  const [layerId, inputId] = [about.slice(0, about.indexOf(" ")), about.slice(about.indexOf(" ") + 1)];
  const layerOf = ({ keymap }: Design) => keymap.layers.find(({ id }) => id === layerId);
  const label =
    [after, before].map((design) => derive(design).inputs.find(({ id }) => id === inputId)?.label).find(Boolean) ??
    inputId;
  const phrase = (design: Design) => {
    const bindings = layerOf(design)?.bindings ?? {};
    const bound: Binding | undefined = Object.hasOwn(bindings, inputId) ? bindings[inputId] : undefined;
    return bound ? phraseOf(bound, phraseContextOf(design)) : "nothing";
  };
  return `${label} on ${layerOf(after)?.name ?? layerOf(before)?.name}: ${phrase(after)} instead of ${phrase(before)}`;
}
