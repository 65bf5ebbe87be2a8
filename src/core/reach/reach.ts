import { derive } from "../derived/derive";
import type { Design } from "../document/schema";
import { keyboardUsages } from "../hid/keyboardUsages";
import { type Binding, leadsOf, typedBy } from "../bindings";
import { type Point, distanceMm } from "../geometry/point";
import type { Finger } from "../document/reachSettings";

export interface FingerLoad {
  finger: Finger;
  presses: number;
  /** Way of the fingertip in mm. */
  travelMm: number;
}

/** One way of one finger, taken so often. */
export interface Movement {
  finger: Finger;
  fromId: string;
  toId: string;
  mm: number;
  times: number;
}

export interface ReachResult {
  presses: number;
  travelMm: number;
  fingers: FingerLoad[];
  /** Presses by control id. */
  heat: Map<string, number>;
  fingerOf: Map<string, Finger>;
  /** Share of neighbouring presses that one finger has to do on two different keys. */
  sameFinger: number;
  worst: Movement[];
  /** Signs of the sample that no key types. */
  untyped: string[];
}

interface Typing {
  controlId: string;
  /** Keys held meanwhile: Shift, or the key of a layer. */
  heldIds: string[];
}

/** A finger goes sideways less easily than along itself (from memory: half again as hard). */
const SIDEWAYS = 1.5;

const isThumb = (finger: Finger) => finger.endsWith("thumb");

/** Which finger presses which key: the nearest resting one; thumbs take what lies nearest to them in plain distance. */
export function fingersOf(design: Design): Map<string, Finger> {
  const { controls } = derive(design);
  const homes = design.reach.homes.flatMap(({ finger, controlId }) => {
    const at = controls.get(controlId)?.placement;
    return at ? [{ finger, at }] : [];
  });
  const result = new Map<string, Finger>();
  for (const { id, placement } of design.controls) {
    const far = ({ finger, at }: { finger: Finger; at: Point }) =>
      isThumb(finger)
        ? distanceMm(placement, at)
        : Math.hypot(SIDEWAYS * (placement.xMm - at.xMm), placement.yMm - at.yMm);
    const nearest = homes.map((home) => ({ finger: home.finger, mm: far(home) })).sort((a, b) => a.mm - b.mm)[0];
    if (nearest) result.set(id, nearest.finger);
  }
  for (const { finger, controlId } of design.reach.homes) result.set(controlId, finger);
  return result;
}

const LEFT_SHIFT_BIT = 0b10;

/** How every sign can be typed with the present keymap, on a computer set to US English; the base layer first. */
export function typingOf(design: Design): Map<string, Typing> {
  const { layers } = design.keymap;
  const keyOf = (inputId: string) => inputId.split(":")[0];
  const holders = new Map<string, string>();
  for (const [inputId, binding] of Object.entries(layers[0].bindings)) {
    for (const lead of leadsOf(binding)) if (lead.lasting === "held") holders.set(lead.layerId, keyOf(inputId));
  }
  const isShift = (binding: Binding) => [0xe1, 0xe5].includes(typedBy(binding)?.usage ?? 0);
  const shift = Object.entries(layers[0].bindings).find(([, binding]) => isShift(binding));
  const signs = new Map<string, Typing>();
  layers.forEach((layer, nth) => {
    const holder = nth === 0 ? [] : holders.has(layer.id) ? [holders.get(layer.id)!] : null;
    if (!holder) return;
    for (const [inputId, binding] of Object.entries(layer.bindings)) {
      const typed = typedBy(binding);
      if (!typed || !inputId.endsWith(":press")) continue;
      const types = usageTypes.get(typed.usage);
      if (!types) continue;
      const shifted = (typed.modifiers & LEFT_SHIFT_BIT) !== 0;
      const add = (sign: string, heldIds: string[]) => {
        if (!signs.has(sign)) signs.set(sign, { controlId: keyOf(inputId), heldIds });
      };
      add(types[shifted ? 1 : 0], holder);
      if (!shifted && shift) add(types[1], [...holder, keyOf(shift[0])]);
    }
  });
  return signs;
}

const usageTypes = new Map(keyboardUsages.flatMap(({ usage, types }) => (types ? [[usage, types] as const] : [])));

class Hands {
  private readonly at = new Map<Finger, string>();
  readonly loads = new Map<Finger, FingerLoad>();
  readonly heat = new Map<string, number>();
  readonly moves = new Map<string, Movement>();
  private last: { finger: Finger; id: string } | null = null;
  pairs = 0;
  samePairs = 0;

  constructor(
    private readonly places: Map<string, Point>,
    private readonly home: Map<Finger, string>,
    private readonly fingerOf: Map<string, Finger>,
  ) {}

  /** Fingers other than the one that just pressed are back at their homes. */
  press(id: string): void {
    const finger = this.fingerOf.get(id);
    if (!finger) return;
    const fromId = this.last?.finger === finger ? this.at.get(finger)! : this.home.get(finger)!;
    const mm = distanceMm(this.places.get(fromId)!, this.places.get(id)!);
    const load = this.loads.get(finger) ?? { finger, presses: 0, travelMm: 0 };
    this.loads.set(finger, { finger, presses: load.presses + 1, travelMm: load.travelMm + mm });
    this.heat.set(id, (this.heat.get(id) ?? 0) + 1);
    this.count(finger, fromId, id, mm);
    if (this.last) {
      this.pairs += 1;
      if (this.last.finger === finger && this.last.id !== id) this.samePairs += 1;
    }
    this.at.set(finger, id);
    this.last = { finger, id };
  }

  private count(finger: Finger, fromId: string, toId: string, mm: number) {
    if (mm === 0) return;
    const key = `${fromId} ${toId}`;
    const known = this.moves.get(key);
    this.moves.set(key, { finger, fromId, toId, mm, times: (known?.times ?? 0) + 1 });
  }
}

const WORST = 5;

/**
 * Types a sample with the present keymap and measures the ways of the fingers from key to key. A finger starts from
 * its home, or from the key it pressed just before when it has to press twice in a row.
 */
export function reachOf(design: Design): ReachResult {
  const { controls } = derive(design);
  const fingerOf = fingersOf(design);
  const home = new Map(
    design.reach.homes
      .filter(({ controlId }) => controls.has(controlId))
      .map(({ finger, controlId }) => [finger, controlId]),
  );
  const places = new Map<string, Point>(design.controls.map(({ id, placement }) => [id, placement]));
  const signs = typingOf(design);
  const hands = new Hands(places, home, fingerOf);
  const untyped = new Set<string>();
  for (const sign of design.reach.sample) {
    const typing = signs.get(sign);
    if (!typing) {
      untyped.add(sign);
      continue;
    }
    for (const id of typing.heldIds) hands.press(id);
    hands.press(typing.controlId);
  }
  const fingers = [...hands.loads.values()];
  return {
    presses: fingers.reduce((sum, load) => sum + load.presses, 0),
    travelMm: fingers.reduce((sum, load) => sum + load.travelMm, 0),
    fingers,
    heat: hands.heat,
    fingerOf,
    sameFinger: hands.pairs === 0 ? 0 : hands.samePairs / hands.pairs,
    worst: [...hands.moves.values()].sort((a, b) => b.mm * b.times - a.mm * a.times).slice(0, WORST),
    untyped: [...untyped],
  };
}

/** "V to R with the left index: 57 mm, 14 times". */
export function movementWords(design: Design, { finger, fromId, toId, mm, times }: Movement): string {
  const { controls } = derive(design);
  return `${controls.get(fromId)?.label} to ${controls.get(toId)?.label} with the ${finger}: ${mm.toFixed(0)} mm, ${times === 1 ? "once" : `${times} times`}`;
}
