import type {
  BuiltCircuit,
  BuiltChain,
  BuiltDisplay,
  BuiltSegments,
  Conductor,
  LadderBank,
  ScanGroup,
  ScannedEncoder,
} from "../circuits/circuitKind";
import { type DisplayTelling, usualTelling } from "../circuits/displayTelling";
import type { LineAccess } from "../circuits/lineAccess";
import { BANK_LINES } from "../contract/contract";
import { SEGMENTS } from "../contract/segments";
import { toneOf } from "../catalogue/kinds/outputs";
import type { ControlInput } from "../catalogue/kinds/controlKind";
import { BATTERY, measuredPack } from "../derived/batteryValue";
import { type Derived, derive } from "../derived/derive";
import { type Opposite, togetherInput } from "../document/keyRules";
import { packetOf } from "./packetOf";
import { readingOrder } from "./readingOrder";
import { type ScannedSwitches, pressInputs, scannedSwitches } from "./scannedSwitches";
import { type KnobSettings, knobOf } from "../document/knobs";
import { isWrittenByRows } from "../document/displayPages";
import type { Design } from "../document/schema";

/** Displays of a chain, each with its first driver there. */
export interface SegmentChainScan extends BuiltSegments {
  drivers: number;
  shown: { controlId: string; driver: number; digits: number }[];
}

/** A display of dots that shows something. */
export interface DisplayScan extends BuiltDisplay {
  controlId: string;
  columns: number;
  /** Rows of eight dots. */
  rows: number;
  told: DisplayTelling;
}

/**
 * What the firmware knows of a design, by number. Lines are nets: strobes are driven, senses read, lamps lit.
 * Inputs are the switches in their order, then for each encoder clockwise and anticlockwise, then the ways back of switches
 * that tell their change, then what axes press, then keys together.
 */
export interface ScanTable extends ScannedSwitches {
  strobeLines: string[];
  senseLines: string[];
  lampLines: string[];
  /** Element ids of the encoders, by encoder number. */
  encoders: { elementId: string; lineA: number; lineB: number; statesPerStep: number; knob: KnobSettings }[];
  lamps: { controlId: string; line: number }[];
  /** By lamp line: the tone of a sounder that wants one, in Hz. */
  tones: Record<string, number>;
  /** Elements whose voltage is read, by sensor number. */
  sensors: string[];
  /** Chains of addressable lights that answer, each on a line of its own. */
  chains: BuiltChain[];
  /** Chains of segment drivers whose displays show something. */
  segmentChains: SegmentChainScan[];
  /** Displays that have a page. */
  displays: DisplayScan[];
  /** Input ids, by input number. */
  inputs: string[];
  /** Keys together whose keys the firmware sees, in the order of their inputs, which are the last. */
  together: { windowMs: number; parts: number[] }[];
  /** Opposite directions, both of which it sees. */
  opposites: { first: number; second: number; counts: Opposite["counts"] }[];
  groups: { strobe: number | null; bank: number; cells: (number | null)[] }[];
  /** Of a device of parts, each with a controller, behind the last of each that is its own; those of the first come first. Else empty. */
  parts: PartEnds[];
  conductors: Conductor[];
  ladders: LadderBank[];
  /** By line: how the firmware gets at one that is no plain pin. */
  access: Record<string, LineAccess>;
}

function splitByBank(group: ScanGroup, senseLine: Map<string, number>, switchNumber: Map<string, number>) {
  const banks = new Map<number, (number | null)[]>();
  for (const { senseNet, elementId } of group.cells) {
    const line = senseLine.get(senseNet)!;
    const bank = Math.floor(line / BANK_LINES);
    const cells = banks.get(bank) ?? new Array<number | null>(BANK_LINES).fill(null);
    cells[line % BANK_LINES] = switchNumber.get(elementId)!;
    banks.set(bank, cells);
  }
  return [...banks.entries()];
}

/** Behind the last group, switch, encoder and sensor of a part. */
export interface PartEnds {
  groups: number;
  switches: number;
  encoders: number;
  sensors: number;
}

/** Direct switches share the banks that are read with nothing strobed; each part has its own. */
function mergeUnstrobed(groups: ScanGroup[]): ScanGroup[] {
  const unstrobed = groups.filter((group) => group.strobeNet === null);
  if (unstrobed.length === 0) return groups;
  const merged = { strobeNet: null, cells: unstrobed.flatMap((group) => group.cells) };
  return [merged, ...groups.filter((group) => group.strobeNet !== null)];
}

export const bankCount = ({ senseLines }: Pick<ScanTable, "senseLines">): number =>
  Math.ceil(senseLines.length / BANK_LINES);

/** Inputs that axes press. */
export const beyondCount = ({ inputs, switches, encoders, settling, together }: ScanTable): number =>
  inputs.length -
  (switches.length + 2 * encoders.length + settling.filter(({ flips }) => flips).length + together.length);

const numbered = (ids: string[]) => new Map(ids.map((id, number) => [id, number]));

/** What each controller reads, the main one first. */
interface ScannedPart {
  groups: ScanGroup[];
  encoders: ScannedEncoder[];
  sensors: string[];
}

function scannedParts(design: Design): ScannedPart[] {
  const { builtCircuits, builtParts } = derive(design);
  return Array.from({ length: Math.max(1, design.controllers.length) }, (_, part) => {
    const built = builtCircuits.filter((_, nth) => builtParts[nth] === part);
    return {
      groups: mergeUnstrobed(built.flatMap((scan) => scan.groups)),
      encoders: built.flatMap((scan) => scan.encoders),
      sensors: sensorsOf(design, built).filter(usedAxes(design)),
    };
  });
}

const numberedEncoder = (
  { elementId, netA, netB, statesPerStep }: ScannedEncoder,
  senseLine: Map<string, number>,
  { keymap }: Design,
): ScanTable["encoders"][number] => ({
  elementId,
  lineA: senseLine.get(netA)!,
  lineB: senseLine.get(netB)!,
  statesPerStep,
  knob: knobOf(keymap.knobs, elementId),
});

const oppositesOf = ({ keymap }: Design, pressNumber: Map<string, number>): ScanTable["opposites"] =>
  (keymap.opposites ?? []).flatMap(({ first, second, counts }) => {
    const [a, b] = [pressNumber.get(first), pressNumber.get(second)];
    return a === undefined || b === undefined ? [] : [{ first: a, second: b, counts }];
  });

/** Numbers everything the firmware scans. Elements that no circuit holds are left out: the firmware cannot see them. */
export function scanTableOf(design: Design): ScanTable {
  const { builtCircuits, inputs } = derive(design);
  const parts = scannedParts(design);
  const groups = parts.flatMap((part) => part.groups);
  const encoders = parts.flatMap((part) => part.encoders);
  const strobeLines = [...new Set(groups.flatMap((group) => (group.strobeNet === null ? [] : [group.strobeNet])))];
  const access: ScanTable["access"] = Object.assign({}, ...builtCircuits.map((scan) => scan.access));
  const sensed = new Set([
    ...groups.flatMap((group) => group.cells.map((cell) => cell.senseNet)),
    ...encoders.flatMap((e) => [e.netA, e.netB]),
  ]);
  const senseLines = readingOrder([...sensed], access);
  const senseLine = numbered(senseLines);
  const presses = pressInputs(design);
  const { switches, settling } = scannedSwitches(design);
  const pressNumber = numbered(presses.map((input) => input.id));
  const together = keysTogether(design, pressNumber);
  const sensors = parts.flatMap((part) => part.sensors);
  const switchNumber = numbered(switches);
  const strobeLine = numbered(strobeLines);
  const split = (group: ScanGroup) =>
    splitByBank(group, senseLine, switchNumber).map(([bank, cells]) => ({
      strobe: group.strobeNet === null ? null : strobeLine.get(group.strobeNet)!,
      bank,
      cells,
    }));
  return {
    strobeLines,
    senseLines,
    switches,
    settling,
    encoders: encoders.map((encoder) => numberedEncoder(encoder, senseLine, design)),
    ...shownOf(derive(design)),
    sensors,
    ...writtenOf(design),
    inputs: [
      ...presses.map((input) => input.id),
      ...encoders.flatMap((e) => turnInputs(inputs, e.elementId)),
      ...presses.flatMap((input) => (input.flips ? [inputOf(inputs, input.elementId, "back")] : [])),
      ...beyondInputs(design, inputs, sensors),
      ...together.map(({ inputId }) => inputId),
    ],
    together,
    opposites: oppositesOf(design, pressNumber),
    groups: groups.flatMap(split),
    parts: partEnds(
      parts.map((part) => ({
        groups: part.groups.flatMap(split).length,
        switches: new Set(part.groups.flatMap(({ cells }) => cells.map(({ elementId }) => elementId))).size,
        encoders: part.encoders.length,
        sensors: part.sensors.length,
      })),
    ),
    conductors: builtCircuits.flatMap((scan) => scan.conductors),
    ladders: builtCircuits.flatMap((scan) => scan.ladders),
    access,
  };
}

/** Counted on from part to part; none where there is only one. */
function partEnds(counts: PartEnds[]): PartEnds[] {
  if (counts.length < 2) return [];
  const sum = (part: number, of: keyof PartEnds) =>
    counts.slice(0, part + 1).reduce((all, count) => all + count[of], 0);
  return counts.map((_, part) => ({
    groups: sum(part, "groups"),
    switches: sum(part, "switches"),
    encoders: sum(part, "encoders"),
    sensors: sum(part, "sensors"),
  }));
}

/** Wipers that some circuit of these reads, and the battery. */
function sensorsOf(design: Design, built: BuiltCircuit[]): string[] {
  const { elements } = derive(design);
  const isRead = (id: string) => (id === BATTERY ? measuredPack(design) !== null : elements.get(id)?.kind === "analog");
  return built.flatMap(({ nets }) => nets.flatMap(({ id, role }) => (role === "analog" && isRead(id) ? [id] : [])));
}

/** Wipers of its controls that the firmware reads. */
export const wipersRead = (design: Design): string[] => scanTableOf(design).sensors.filter((id) => id !== BATTERY);

/** Whether something comes of an axis: it moves something on a layer, presses keys, or its value is shown or sent by radio. */
function usedAxes(design: Design): (elementId: string) => boolean {
  const { keymap } = design;
  if (packetOf(design)?.axes) return () => true;
  const moves = keymap.layers.flatMap(({ axes = {} }) =>
    Object.entries(axes).flatMap(([id, { does }]) => (does === "nothing" ? [] : [id])),
  );
  const bound = new Set(keymap.layers.flatMap(({ bindings }) => Object.keys(bindings)));
  const rules = [...Object.values(keymap.lamps), ...(keymap.glows ?? []).map(({ when }) => when)];
  const figures = keymap.layers.flatMap(({ segments = {} }) =>
    Object.values(segments).flatMap((show) => (show.shows === "value" ? [show.elementId] : [])),
  );
  const values = rules.flatMap((rule) => (rule.when === "value" ? [rule.elementId] : []));
  const mixed = (keymap.glows ?? []).flatMap(({ shows }) => (shows.how === "value" ? [shows.elementId] : []));
  const onPages = keymap.layers.flatMap(({ displays = {} }) =>
    Object.values(displays).flatMap((page) => page.flatMap((thing) => ("elementId" in thing ? [thing.elementId] : []))),
  );
  const used = new Set([...moves, ...values, ...mixed, ...figures, ...onPages]);
  return (id) => used.has(id) || bound.has(`${id}-high`) || bound.has(`${id}-low`);
}

/** Inputs that axes press beyond their thresholds, where something is bound to them. */
function beyondInputs({ keymap }: Design, inputs: ControlInput[], sensors: string[]): string[] {
  const read = new Set(sensors);
  return inputs
    .filter(({ motion, elementId }) => (motion === "high" || motion === "low") && read.has(elementId))
    .map(({ id }) => id)
    .filter((id) => keymap.layers.some(({ bindings }) => Object.hasOwn(bindings, id)));
}

/** What is shown: lamps, motors and sounders on their lines, and chains that have a light which answers. */
function shownOf({
  builtCircuits,
  elements,
  controls,
}: Derived): Pick<ScanTable, "lampLines" | "lamps" | "tones" | "chains"> {
  const lamps = [...builtCircuits.flatMap((built) => built.lamps), ...builtCircuits.flatMap((built) => built.outputs)];
  const tones = lamps.flatMap(({ elementId, net }): [string, number][] => {
    const hz = toneOf(controls.get(elements.get(elementId)?.controlId ?? ""));
    return hz > 0 ? [[net, hz]] : [];
  });
  return {
    lampLines: lamps.map(({ net }) => net),
    tones: Object.fromEntries(tones),
    lamps: lamps
      .map((lamp, line) => ({ controlId: elements.get(lamp.elementId)?.controlId ?? "", line }))
      .filter((l) => controls.has(l.controlId)),
    chains: builtCircuits.flatMap((built) => built.chains).filter(({ lights }) => lights.length > 0),
  };
}

/** Where nothing is shown on any layer the drivers are left asleep. */
function segmentChainsOf(design: Design): SegmentChainScan[] {
  const { builtCircuits, elements, controls } = derive(design);
  const isShown = (controlId: string) =>
    design.keymap.layers.some(({ segments = {} }) => Object.hasOwn(segments, controlId));
  return builtCircuits.flatMap((built) =>
    built.segments.flatMap((chain) => {
      let drivers = 0;
      const shown = chain.displays.flatMap((id) => {
        const control = controls.get(elements.get(id)?.controlId ?? "");
        if (control?.kind !== "segments") return [];
        const driver = drivers;
        drivers += Math.ceil(control.digits / SEGMENTS.DIGITS);
        return [{ controlId: control.id, driver, digits: control.digits }];
      });
      return shown.some(({ controlId }) => isShown(controlId)) ? [{ ...chain, drivers, shown }] : [];
    }),
  );
}

/** Where no layer has a page for it, a display is left alone. */
function displaysShown(design: Design): DisplayScan[] {
  const { builtCircuits, elements, controls } = derive(design);
  return builtCircuits.flatMap((built) =>
    built.displays.flatMap((one) => {
      const control = controls.get(elements.get(one.elementId)?.controlId ?? "");
      if (control?.kind !== "display" || !isWrittenByRows(control)) return [];
      const hasPage = design.keymap.layers.some(({ displays = {} }) => Object.hasOwn(displays, control.id));
      if (!hasPage) return [];
      const told = one.told ?? usualTelling(control.heightPx);
      return [{ ...one, controlId: control.id, columns: control.widthPx, rows: control.heightPx / 8, told }];
    }),
  );
}

/** What shows digits and dots. */
const writtenOf = (design: Design): Pick<ScanTable, "segmentChains" | "displays"> => ({
  segmentChains: segmentChainsOf(design),
  displays: displaysShown(design),
});

const keysTogether = ({ keymap }: Design, pressNumber: Map<string, number>) =>
  (keymap.together ?? []).flatMap(({ id, parts, windowMs }) => {
    const numbers = [...new Set(parts)].flatMap((part) => pressNumber.get(part) ?? []);
    return numbers.length === parts.length ? [{ inputId: togetherInput(id), windowMs, parts: numbers }] : [];
  });

const turnInputs = (inputs: ControlInput[], elementId: string) =>
  (["clockwise", "anticlockwise"] as const).map((motion) => inputOf(inputs, elementId, motion));

const inputOf = (inputs: ControlInput[], elementId: string, motion: ControlInput["motion"]) =>
  inputs.find((input) => input.elementId === elementId && input.motion === motion)!.id;
