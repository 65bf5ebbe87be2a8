import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { groupsFit, matches } from "./groupMatching";
import type { Together } from "./solvePins";

/** Every choice of options, tried by hand: what the search must agree with. */
function byTrying(base: number[][], groups: Together[], pins: number): boolean {
  const from = (group: number, allowed: number[][], taken: string[]): boolean => {
    if (group === groups.length) return matches(allowed, pins);
    const { nets, options, sort } = groups[group];
    return options.some((option) => {
      const key = `${sort} ${option.key}`;
      if (taken.includes(key)) return false;
      const next = allowed.map((row, net) => {
        const nth = nets.indexOf(net);
        return nth < 0 ? row : row.filter((pin) => option.pins[nth].includes(pin));
      });
      return from(group + 1, next, [...taken, key]);
    });
  };
  return from(0, base, []);
}

const buses = (count: number, instances: number): Together[] =>
  Array.from({ length: count }, (_, bus) => ({
    nets: [2 * bus, 2 * bus + 1],
    sort: "i2c",
    otherwise: "unplaced",
    options: Array.from({ length: instances }, (_, at) => ({ key: String(at), pins: [[2 * at], [2 * at + 1]] })),
  }));

const anyPin = (nets: number, pins: number) =>
  Array.from({ length: nets }, () => Array.from({ length: pins }, (_, pin) => pin));

describe("Nets in groups", () => {
  it("are found a pin each exactly when trying every choice finds one", () => {
    const row = fc.uniqueArray(fc.nat(4), { maxLength: 5 });
    const option = fc.record({ key: fc.constantFrom("0", "1", "2"), pins: fc.tuple(row, row) });
    const group = (first: number) =>
      fc.record({
        nets: fc.constant<number[]>([first, first + 1]),
        sort: fc.constantFrom("i2c", "spi"),
        otherwise: fc.constant("unplaced" as const),
        options: fc.uniqueArray(option, { maxLength: 3, selector: ({ key }) => key }),
      });
    const asked = fc.record({
      base: fc.array(row, { minLength: 5, maxLength: 5 }),
      groups: fc.tuple(group(0), group(2)),
    });
    fc.assert(
      fc.property(asked, ({ base, groups }) => {
        expect(groupsFit(base, groups, 5)).toBe(byTrying(base, groups, 5) ? "yes" : "no");
      }),
      { numRuns: 400 },
    );
  });

  it("sixteen buses on sixteen bus controllers fit, a seventeenth does not, without trying all orders", () => {
    expect(groupsFit(anyPin(32, 40), buses(16, 16), 40)).toBe("yes");
    expect(groupsFit(anyPin(34, 40), buses(17, 16), 40)).toBe("no");
  });

  it("say so when the budget ends", () => {
    // Each bus has a bus controller to itself, but the pads of any two lie on one another: only the ends tell.
    const tangled = buses(12, 12).map((group) => ({
      ...group,
      options: group.options.map(({ key }) => ({
        key,
        pins: [
          [0, 1, 2, 3, 4, 5, 6, 7, 8, 9, 10],
          [20, 21, 22],
        ],
      })),
    }));
    expect(groupsFit(anyPin(24, 40), tangled, 40)).toBe("unknown");
  });
});
