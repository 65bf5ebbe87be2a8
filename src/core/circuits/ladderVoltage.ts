import type { LadderBank } from "./circuitKind";

/** A converter reading at the supply. */
const FULL_SCALE = 65536;

const parallel = (a: number, b: number) => (a * b) / (a + b);
const sum = (ohms: number[]) => ohms.reduce((a, b) => a + b, 0);

/** What of a bank its voltages depend on. */
type Ladder = Pick<LadderBank, "rungs" | "rungOhms" | "pullDownOhm">;

/**
 * Voltage on the common line of a powered ladder bank as a part of the supply, with some rungs pressed.
 * Pressed rungs are one node: below it the lowest rung's resistors to ground beside the pull-down, above it those of the
 * highest rung to the supply; what lies between pressed rungs is shorted (Ohm's law).
 * @param pressed rungs counted from 1 at the bottom; with none nothing drives the line and it is at 0
 * @param loads resistances to ground, in ohm, of other banks' pressed rungs: those banks float while this one is read
 */
export function ladderLevel(bank: Ladder, pressed: number[], loads: number[] = []): number {
  if (pressed.length === 0) return 0;
  const lowest = Math.min(...pressed);
  const highest = Math.max(...pressed);
  const above = sum(bank.rungOhms.slice(highest));
  const own = parallel(sum(bank.rungOhms.slice(0, lowest)), bank.pullDownOhm);
  const below = loads.reduce(parallel, own);
  return below / (below + above);
}

/** What a bank that floats puts on the common line: the resistors below its lowest pressed rung, in ohm; null for none. */
export const floatingLoadOhm = (bank: Ladder, pressed: number[]): number | null =>
  pressed.length === 0 ? null : sum(bank.rungOhms.slice(0, Math.min(...pressed)));

/** Levels of each rung pressed alone, from the bottom. */
export const rungLevels = (bank: Ladder): number[] => bank.rungs.map((_, nth) => ladderLevel(bank, [nth + 1]));

/** Lower ends of the windows of a bank's rungs, each reaching halfway to its neighbours, as parts of 65536 of the supply. */
export function windowEdges(bank: Ladder): number[] {
  const levels = rungLevels(bank);
  return levels.map((own, nth) => Math.round(((own + (levels[nth - 1] ?? 0)) / 2) * FULL_SCALE));
}

/** The coarsest converter of the catalogue's classes, in steps; finer ones decide alike but for what lies on an edge. */
const CONVERTER_STEPS = 1023;

/** What a converter says to a level, as a part of 65536: ten bits, put to the top. */
const converterReading = (level: number): number => Math.round(level * CONVERTER_STEPS) * (FULL_SCALE / 1024);

/** Which rung a level is taken for (0 at the bottom), as the device decides it; null for none. */
export function rungTold(bank: Ladder, level: number): number | null {
  const reading = converterReading(level);
  const below = windowEdges(bank).filter((edge) => reading >= edge).length;
  return below === 0 ? null : below - 1;
}

/**
 * Lowest and highest level of a rung pressed alone, as a part of the supply: every resistor below it off by the
 * tolerance one way and every one above it the other way. The level rises with each resistor below and falls with each
 * above, so no other set of resistors within the tolerance goes beyond.
 * @param rung counted from 0 at the bottom
 */
export function rungRange(bank: Ladder, rung: number, tolerance: number): { least: number; most: number } {
  const below = sum(bank.rungOhms.slice(0, rung + 1));
  const above = sum(bank.rungOhms.slice(rung + 1));
  const at = (sign: number) => {
    const low = parallel(below * (1 + sign * tolerance), bank.pullDownOhm * (1 + sign * tolerance));
    return low / (low + above * (1 - sign * tolerance));
  };
  return { least: at(-1), most: at(1) };
}

/**
 * Least distance between a rung's true level and the edge of its window, as a part of the supply, in the worst case of
 * all resistors, with the supply off by its ripple between the reading of the converter's reference and of the rung.
 * Negative when keys can be mistaken for each other.
 */
export function ladderMargin(bank: Ladder, tolerance: number, ripple = 0): number {
  const levels = rungLevels(bank);
  const count = bank.rungs.length;
  let margin = Infinity;
  levels.forEach((own, nth) => {
    const low = (own + (levels[nth - 1] ?? 0)) / 2;
    const high = nth + 1 < count ? (own + levels[nth + 1]) / 2 : Infinity;
    const { least, most } = rungRange(bank, nth, tolerance);
    margin = Math.min(margin, least * (1 - ripple) - low, high - most * (1 + ripple));
  });
  return margin;
}
