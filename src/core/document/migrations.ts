import { emptyBrief } from "./wish";
import { usualMaking } from "./makingSettings";
import { noReach } from "./reachSettings";
import { noPinWishes } from "./pinWishes";
import { trialIdentity } from "./identity";
import { usualSupply } from "./supplySettings";
import { usualWires } from "./wireSettings";

type Json = Record<string, unknown>;

const isObject = (value: unknown): value is Json =>
  typeof value === "object" && value !== null && !Array.isArray(value);
const objects = (value: unknown): Json[] => (Array.isArray(value) ? value.filter(isObject) : []);

/**
 * Version 1 kept one matrix only: each key carried its own `row` and `column`, the diode direction stood at the top,
 * and what had no cell was wired direct. Version 2 has circuits that name their members.
 */
function circuitsFromKeys(old: Json): Json {
  const cells: Json = {};
  const members: string[] = [];
  const controls = objects(old.controls).map(({ row, column, ...control }) => {
    const id = String(control.id);
    if (typeof row === "number" && typeof column === "number") cells[`${id}:press`] = { row, column };
    else if (control.kind === "key") members.push(`${id}:press`);
    if (control.kind === "encoder") members.push(`${id}:turn`, ...(control.push ? [`${id}:press`] : []));
    if (control.kind === "lamp") members.push(`${id}:lamp`);
    return control;
  });
  const { diodes, ...rest } = old;
  const matrix = { id: "matrix", kind: "matrix", name: "Matrix", diodes: diodes ?? "none", cells, withoutDiode: [] };
  const direct = { id: "direct", kind: "direct", name: "Direct", members };
  const circuits = [...(Object.keys(cells).length > 0 ? [matrix] : []), ...(members.length > 0 ? [direct] : [])];
  return { ...rest, version: 2, controls, circuits };
}

const PARTS: Record<string, string> = { key: "switch-full", encoder: "encoder-11", lamp: "lamp-round" };
const KEY_FIELDS = { second: null, stepU: null, profile: "", groupId: null };

/** Version 2 had three kinds without parts, boards without plates, and neither brief nor making. */
function partsAndBrief(old: Json): Json {
  const controls = objects(old.controls).map((control) => ({
    ...control,
    partId: PARTS[String(control.kind)],
    ...(control.kind === "key"
      ? { ...KEY_FIELDS, stabiliser: Math.max(Number(control.widthU), Number(control.heightU)) >= 2 }
      : {}),
  }));
  const plate = { material: "printed", thicknessMm: 1.5 };
  const boards = objects(old.boards).map((board) => ({
    ...board,
    cornerRadiusMm: board.marginMm,
    outline: null,
    plate,
    edgeCarried: true,
  }));
  const profiles = objects(old.profiles).map(({ usbDevice, ...profile }) => ({
    ...profile,
    form: "module",
    firmware: { compiled: usbDevice ? "runs-usb" : "runs", interpreted: "no" },
    radio: false,
    connector: null,
    oscillator: null,
    price: 5,
    pins: objects(profile.pins).map((pin) => ({ ...pin, boot: null })),
  }));
  return {
    ...old,
    version: 3,
    controls,
    boards,
    profiles,
    brief: emptyBrief,
    groups: [],
    parts: [],
    colourGroups: [],
    capSets: [],
    reach: noReach,
    making: usualMaking,
  };
}

const CIRCUIT_FIELDS: Record<string, Json> = {
  direct: { polarity: "to-ground" },
  matrix: { reversed: [], locked: [], chords: [] },
};

/** Version 3 knew two kinds of circuit, and neither wishes for the pins nor how wires are cut. */
function allCircuits(old: Json): Json {
  const circuits = objects(old.circuits).map((circuit) => ({ ...circuit, ...CIRCUIT_FIELDS[String(circuit.kind)] }));
  return { ...old, version: 4, circuits, chipPlaces: {}, pinWishes: noPinWishes, wires: usualWires };
}

/** Supply pads had no voltage; most say it in their name. */
function voltsByName({ role, name }: Json, logicV: unknown): unknown {
  if (role !== "supply" && role !== "logic-supply") return null;
  if (/^\+?5V/i.test(String(name))) return 5;
  if (/^\+?3V3|^3\.3/i.test(String(name))) return 3.3;
  return role === "logic-supply" ? logicV : null;
}

/**
 * Version 4 knew one debounce time and one school for all, and toggles told their state. They still do: what a device
 * does must not change by being opened.
 */
function schoolsOfDebounce(old: Json): Json {
  const { debounceMs, ...timing } = isObject(old.timing) ? old.timing : {};
  const controls = objects(old.controls).map((control) =>
    control.kind === "toggle" ? { ...control, tells: "state" } : control,
  );
  const debounce = { school: "deferred", ms: debounceMs };
  const profiles = objects(old.profiles).map((profile) => ({
    ...profile,
    pins: objects(profile.pins).map((pin) => ({ ...pin, volts: voltsByName(pin, profile.logicV) })),
  }));
  const boards = objects(old.boards).map((board) => ({ ...board, follows: "hull" }));
  return { ...old, version: 5, controls, profiles, boards, timing: { ...timing, debounce, debounceOf: {} } };
}

/** By what each name of version 5 is called since: one word says one thing. */
const renamed = (old: Json, names: Record<string, string>): Json =>
  Object.fromEntries(
    Object.entries(old).map(([name, value]) => [Object.hasOwn(names, name) ? names[name] : name, value]),
  );

const CHOSEN_NAMES = {
  strategy: "switchStrategy",
  turnWay: "turnStrategy",
  lampWay: "lampStrategy",
  analogWay: "voltageStrategy",
};

function channelsAndDirections(circuit: Json): Json {
  if (circuit.kind === "multiplexer") return renamed(circuit, { ways: "channels" });
  if (circuit.kind !== "two-way-matrix" || !isObject(circuit.cells)) return circuit;
  const cells = Object.entries(circuit.cells).map(([id, cell]) => [
    id,
    isObject(cell) ? renamed(cell, { way: "direction" }) : cell,
  ]);
  return { ...circuit, cells: Object.fromEntries(cells) };
}

/**
 * Version 5 called a strategy, a multiplexer's channels and a diode's direction all "way", and a pulse "tap"; a device
 * had a product's name but no maker and no numbers.
 */
function oneWordOneThing(old: Json): Json {
  const circuits = objects(old.circuits).map(channelsAndDirections);
  const timing = isObject(old.timing) ? renamed(old.timing, { tapMs: "pulseMs" }) : old.timing;
  const { brief } = old;
  const isChosen = isObject(brief) && isObject(brief.chosen);
  const chosen = isChosen ? { ...brief, chosen: renamed(brief.chosen as Json, CHOSEN_NAMES) } : brief;
  const { reportSet } = old;
  const named = isObject(reportSet) ? { ...reportSet, ...trialIdentity } : reportSet;
  return { ...old, version: 6, circuits, timing, brief: chosen, reportSet: named };
}

/** What kinds take, where they did not say so: typical of their classes (from memory). */
const DRAWS: Record<string, Json> = {
  lamp: { colour: "red" },
  display: { currentMa: 25 },
  segments: { currentMa: 160 },
  radio: { currentMa: 15 },
};

const FEEDS: Record<string, Json> = {
  "light-chain": { feed: "5V", brightnessPercent: 100, colours: 3, mostLit: null, feedAt: [] },
  "output-registers": { feed: "logic" },
  "segment-chain": { shifted: false },
  ladder: { rungOhms: [], ripple: 0 },
};

/** Version 6 knew neither where the current comes from nor what every part takes. */
function currentsOfAll(old: Json): Json {
  const controls = objects(old.controls).map((control) => ({ ...DRAWS[String(control.kind)], ...control }));
  const circuits = objects(old.circuits).map((circuit) => ({ ...FEEDS[String(circuit.kind)], ...circuit }));
  return { ...old, version: 7, controls, circuits, supply: usualSupply, buses: [] };
}

/** Version 7 let a person say in what pieces displays are written; the firmware knows by itself. */
function displaysByCells(old: Json): Json {
  const circuits = objects(old.circuits).map(({ piece, ...circuit }) =>
    circuit.kind === "bus-displays" || piece === undefined ? circuit : { ...circuit, piece },
  );
  return { ...old, version: 8, circuits };
}

/** By the version they start from. */
const steps: Record<number, (old: Json) => Json> = {
  1: circuitsFromKeys,
  2: partsAndBrief,
  3: allCircuits,
  4: schoolsOfDebounce,
  5: oneWordOneThing,
  6: currentsOfAll,
  7: displaysByCells,
};

/** Brings an older document forward, version by version. What is not recognised is handed on unchanged. */
export function migrate(document: Json): Json {
  let current = document;
  while (typeof current.version === "number" && steps[current.version]) current = steps[current.version](current);
  return current;
}
