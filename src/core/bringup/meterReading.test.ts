import { describe, expect, it } from "vitest";
import { shelfDesigns } from "@demo/index";
import { assembledOf } from "./assembled";
import { FaultyWorld, worldBaseOf } from "./faultyWorld";
import { JOINED_OHM, readMeter, waysOf } from "./meterReading";

type Ways = ReturnType<typeof waysOf>;

/** Ohms by Gauss' elimination over everything that conducts without a diode, dead ends and all; null where nothing joins them. */
function ohmsBetween(ways: Ways, red: string, black: string): number | null {
  const conducting = (node: string) => (ways.get(node) ?? []).filter(({ drop }) => drop === 0);
  const nodes = [red];
  const at = new Map([[red, 0]]);
  for (const node of nodes) for (const { to } of conducting(node)) if (!at.has(to)) at.set(to, nodes.push(to) - 1);
  if (!at.has(black)) return null;
  const free = nodes.filter((node) => node !== black);
  const row = new Map(free.map((node, nth) => [node, nth]));
  const matrix = free.map((node) => {
    const line = new Float64Array(free.length + 1);
    for (const { to, ohm } of conducting(node)) {
      const siemens = 1 / Math.max(1e-6, ohm);
      line[row.get(node)!] += siemens;
      if (to !== black) line[row.get(to)!] -= siemens;
    }
    line[free.length] = node === red ? 1 : 0;
    return line;
  });
  for (let step = free.length - 1; step > 0; step--)
    for (let nth = 0; nth < step; nth++) {
      const factor = matrix[nth][step] / matrix[step][step];
      if (factor === 0) continue;
      for (let column = 0; column <= step; column++) matrix[nth][column] -= factor * matrix[step][column];
      matrix[nth][free.length] -= factor * matrix[step][free.length];
    }
  return matrix[0][free.length] / matrix[0][0];
}

describe("a meter in its ohm range", () => {
  for (const id of ["reedling", "glasshouse"])
    it(`${id}: reads what Kirchhoff's law gives over everything that hangs together`, () => {
      const base = worldBaseOf(assembledOf(shelfDesigns.find((one) => one.id === id)!));
      const ways = waysOf(base.assembled);
      const resistors = [...ways].flatMap(([red, all]) =>
        all.flatMap(({ to, ohm }) => (ohm > JOINED_OHM && red < to ? [[red, to] as const] : [])),
      );
      expect(resistors.length).toBeGreaterThan(5);
      const world = new FaultyWorld(base, []);
      for (const [nth, [red, black]] of resistors.slice(0, 12).entries()) {
        // Across one resistor, and from one to another far from it.
        for (const far of [black, resistors[(nth + 5) % resistors.length][1]]) {
          const reading = readMeter(world, { red, black: far, range: "ohm", held: [] });
          const ohm = ohmsBetween(ways, red, far);
          if (reading.shows !== "ohm") expect(ohm === null || ohm > 10e6).toBe(true);
          else if (ohm! >= JOINED_OHM) expect(reading.ohm / ohm!).toBeCloseTo(1, 3);
        }
      }
    });
});
