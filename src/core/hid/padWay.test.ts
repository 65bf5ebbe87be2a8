import { describe, expect, it } from "vitest";
import { DIRECTIONS, type Rest, noWays, restWords, roundWords, withPlace, withRest } from "./padWay";

const around = (way: (turn: number) => [number, number]) =>
  Array.from({ length: 360 }, (_, degree) => way((degree * Math.PI) / 180)).reduce(
    (ways, [x, y]) => withPlace(ways, x, y),
    noWays,
  );

describe("how round a stick's way is", () => {
  it("is told when it has been in all directions", () => {
    expect(roundWords(noWays)).toBe("");
    expect(roundWords(withPlace(noWays, 1, 0))).toBe(`round the edge: seen in 1 of ${DIRECTIONS} directions`);
    expect(roundWords(around((t) => [Math.cos(t), Math.sin(t)]))).toBe(
      "round the edge: from 100 % to 100 % of the way",
    );
  });

  it("is a square where each axis is cut by itself: 141 % in the corners", () => {
    const cut = (value: number) => Math.max(-1, Math.min(1, 1.5 * value));
    expect(roundWords(around((t) => [cut(Math.cos(t)), cut(Math.sin(t))]))).toMatch(/to 141 % of the way$/);
  });

  it("keeps the farthest place of a direction, and leaves out what is near the middle", () => {
    expect(withPlace(noWays, 0.1, 0.1)).toBe(noWays);
    const far = withPlace(noWays, 0.9, 0);
    expect(withPlace(far, 0.5, 0)).toBe(far);
  });
});

describe("how far an untouched stick drifts", () => {
  const seen = (...places: [number, number][]) => places.reduce<Rest>((rest, [x, y]) => withRest(rest, x, y), null);

  it("is told of the middle, of one place, and of a range", () => {
    expect(restWords(seen())).toBe("");
    expect(restWords(seen([0, 0]))).toBe("untouched: in the middle");
    expect(restWords(seen([0.021, -0.004]))).toBe("untouched: X +2.1 %, Y −0.4 % of the way");
    expect(restWords(seen([0.01, 0], [-0.02, 0]))).toBe("untouched: X −2.0 % to +1.0 %, Y 0.0 % of the way");
  });

  it("is the same while nothing leaves the range", () => {
    const wide = seen([-0.1, -0.1], [0.1, 0.1]);
    expect(withRest(wide, 0.05, -0.1)).toBe(wide);
  });
});
