import type { Placement } from "../catalogue/kinds/controlKind";
import type { ColourOrder } from "../catalogue/parts/part";
import { CHAIN_AT, ENTRY_BYTES, GLOW, GLOW_AT, LIMITS, NONE, glowBytes, lightsMs } from "../contract/contract";
import { derive } from "../derived/derive";
import type { Glow, GlowShows } from "../document/glows";
import type { Design } from "../document/schema";
import { distanceMm } from "../geometry/point";
import type { ScanTable } from "./scanTable";
import { orderOf } from "./colourOrder";
import { ruleBytes, topOf, valueAt } from "./shownStates";

/** Elements of all lights that answer, as the firmware numbers them: chain after chain. */
export const lightsOf = ({ chains }: Pick<ScanTable, "chains">): string[] => chains.flatMap(({ lights }) => lights);

/** Glows that say something of a light that is there; the firmware knows no others. */
export function glowsOf({ keymap }: Design, scan: Pick<ScanTable, "chains">): Glow[] {
  const there = new Set(lightsOf(scan));
  if (there.size === 0) return [];
  return (keymap.glows ?? []).filter(({ lights }) => lights === null || lights.some((id) => there.has(id)));
}

/** How many pairs of a light and a glow are worked out in one scan, so that its length has a bound. */
const PAIRS_A_SCAN = 8;
export const lightsAScan = (glows: number): number => Math.max(1, Math.floor(PAIRS_A_SCAN / Math.max(1, glows)));

/** From one picture of the lights to the next, in ms, while they change: working out, sending, and a scan between two chains. */
export function pictureMs(design: Design, scan: Pick<ScanTable, "chains">): number {
  const lights = lightsOf(scan).length;
  const sending = scan.chains.reduce((sum, chain) => sum + lightsMs(chain.lights.length) + 1, 0);
  return Math.ceil(lights / lightsAScan(glowsOf(design, scan).length)) + sending;
}

/** Presses of keys on a board, with the places of their keys. */
function keysOn(design: Design, boardId: string): { inputId: string; at: Placement }[] {
  const { controls, inputs } = derive(design);
  return inputs.flatMap(({ id, controlId, motion }) => {
    const control = controls.get(controlId);
    const isOn = control?.kind === "key" && motion === "press" && control.placement.boardId === boardId;
    return isOn ? [{ inputId: id, at: control.placement }] : [];
  });
}

/**
 * The input of the key beside a light: the nearest key, no farther away than one pitch; of two that are as near the first.
 * @returns null where there is none
 */
export function ownKeyOf(design: Design, elementId: string): string | null {
  const { elements, controls } = derive(design);
  const light = controls.get(elements.get(elementId)?.controlId ?? "")?.placement;
  if (!light) return null;
  const mostMm = Math.max(design.pitch.xMm, design.pitch.yMm);
  const near = keysOn(design, light.boardId)
    .map(({ inputId, at }) => ({ inputId, mm: distanceMm(light, at) }))
    .filter(({ mm }) => mm <= mostMm)
    .sort((a, b) => a.mm - b.mm);
  return near[0]?.inputId ?? null;
}

const ALL_LEVELS = 255;

/** Bytes of the table of chains. */
export const chainBytes = ({ chains }: ScanTable): number[] =>
  chains.flatMap(({ lights, mostLit, brightnessPercent }) => {
    const entry = new Array<number>(ENTRY_BYTES.CHAIN).fill(0);
    entry[CHAIN_AT.LIGHTS] = lights.length;
    entry[CHAIN_AT.MOST_LIT] = Math.min(mostLit ?? LIMITS.LIGHTS, LIMITS.LIGHTS);
    entry[CHAIN_AT.LEVEL] = Math.floor((ALL_LEVELS * brightnessPercent) / 100);
    entry[CHAIN_AT.SEND_MS] = lightsMs(lights.length);
    return entry;
  });

/** Two bits for each of red, green and blue: which of its three bytes it is. */
const placesOf = (order: ColourOrder) =>
  (["r", "g", "b"] as const).reduce((bits, colour, nth) => bits | (order.indexOf(colour) << (2 * nth)), 0);

/** Bytes of the table of lights. */
export function lightBytes(scan: ScanTable, design: Design): number[] {
  const needsOwn = glowsOf(design, scan).some(({ when }) => when.when === "own-key");
  return lightsOf(scan).flatMap((id) => {
    const key = needsOwn ? scan.inputs.indexOf(ownKeyOf(design, id) ?? "") : -1;
    return [key < 0 ? NONE : key, placesOf(orderOf(design, id))];
  });
}

type Colour = [red: number, green: number, blue: number];
const BLACK: Colour = [0, 0, 0];

export const colourOf = (text: string): Colour => [1, 3, 5].map((at) => parseInt(text.slice(at, at + 2), 16)) as Colour;

/** No more than so many colours at full at the same time: what is more is dimmed, its hue kept. */
function withinColours(colour: Colour, colours: number): Colour {
  const sum = colour[0] + colour[1] + colour[2];
  const most = ALL_LEVELS * colours;
  return sum <= most ? colour : (colour.map((level) => Math.floor((level * most) / sum)) as Colour);
}

const PERIOD = 2 ** 24;
/** The upper four of its twenty-four bits are the time of embers: sixteen periods of one ember are one of these. */
const EMBER_PERIOD = 2 ** 20;
const CIRCLE = 256;
/** Of a level, as 8 bits and 8 beneath. */
const ALL_GONE = ALL_LEVELS * 256;

interface Encoded {
  how: number;
  of: number;
  speed: number;
  colour: Colour;
  other: Colour;
}

const aheadOf = (lightsAWave: number) => (lightsAWave === 0 ? 0 : Math.round(CIRCLE / lightsAWave) % CIRCLE);

/** What of a glow's bytes depends on how it is seen. */
function encoded(shows: GlowShows, scan: ScanTable, design: Design): Encoded | null {
  const colours = {
    colour: "colour" in shows ? colourOf(shows.colour) : BLACK,
    other: "other" in shows ? colourOf(shows.other) : BLACK,
  };
  const speed = "periodMs" in shows ? Math.round(PERIOD / shows.periodMs) : 0;
  switch (shows.how) {
    case "still":
      return { ...colours, how: GLOW.STILL, of: 0, speed, other: colours.colour };
    case "swell":
      return { ...colours, how: GLOW.SWELL, of: 0, speed };
    case "wave":
      return { ...colours, how: GLOW.WAVE, of: aheadOf(shows.lightsAWave), speed };
    case "embers":
      return { ...colours, how: GLOW.EMBERS, of: 0, speed: Math.round(EMBER_PERIOD / shows.periodMs) };
    case "round": {
      const bright = Math.floor((ALL_LEVELS * shows.percent) / 100);
      return { how: GLOW.ROUND, of: aheadOf(shows.lightsAWave), speed, colour: [bright, 0, 0], other: BLACK };
    }
    case "value": {
      const of = valueAt(scan, shows.elementId);
      const top = topOf(design, shows.elementId);
      return of < 0 ? null : { ...colours, how: GLOW.VALUE, of, speed: Math.ceil(ALL_GONE / Math.max(1, top)) };
    }
  }
}

/** The most colours at full that all chains of a glow's lights allow. */
const coloursOf = ({ lights }: Glow, { chains }: ScanTable) =>
  Math.min(
    3,
    ...chains.filter((c) => lights === null || c.lights.some((id) => lights.includes(id))).map((c) => c.colours),
  );

const word = (value: number) => [value & 0xff, (value >> 8) & 0xff];

function marksOf({ lights }: Glow, all: string[]): number[] {
  const marks = new Array<number>(Math.ceil(all.length / 8)).fill(0);
  all.forEach((id, nth) => {
    if (lights === null || lights.includes(id)) marks[nth >> 3] |= 1 << (nth & 7);
  });
  return marks;
}

/** Bytes of the table of glows. One that follows a layer, an input or a knob that is gone is never seen. */
export function glowTableBytes(scan: ScanTable, design: Design): number[] {
  const all = lightsOf(scan);
  return glowsOf(design, scan).flatMap((glow) => {
    const shown = encoded(glow.shows, scan, design);
    const rule = shown === null ? ({ when: "never" } as const) : glow.when;
    const entry = new Array<number>(glowBytes(all.length)).fill(0);
    const put = (at: number, bytes: number[]) => entry.splice(at, bytes.length, ...bytes);
    const colours = coloursOf(glow, scan);
    put(GLOW_AT.HOW, [shown?.how ?? GLOW.STILL, ...ruleBytes(scan, design, rule)]);
    put(GLOW_AT.OF, [shown?.of ?? 0, ...word(shown?.speed ?? 0)]);
    put(GLOW_AT.COLOUR, withinColours(shown?.colour ?? BLACK, colours));
    put(GLOW_AT.OTHER, withinColours(shown?.other ?? BLACK, colours));
    put(GLOW_AT.FADE, word(Math.round(ALL_GONE / Math.max(1, glow.fadeMs))));
    put(ENTRY_BYTES.GLOW, marksOf(glow, all));
    return entry;
  });
}
