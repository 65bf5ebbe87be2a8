import fc from "fast-check";
import { describe, expect, it } from "vitest";
import type { PictureThing } from "../document/displayPages";
import { pictureOf, pictureOfPoints, pictureRows } from "./pictureDots";

const picture = (dots: ReturnType<typeof pictureOf>): PictureThing => ({
  shows: "picture",
  column: 0,
  row: 0,
  ...dots!,
});

describe("a picture of one's own", () => {
  it("is read from rows as it is told in rows", () =>
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 40 }).chain((width) =>
          fc.array(fc.string({ unit: fc.constantFrom("#", "."), minLength: width, maxLength: width }), {
            minLength: 8,
            maxLength: 24,
          }),
        ),
        (rows) => {
          const whole = [...rows, ...new Array<string>((8 - (rows.length % 8)) % 8).fill(".".repeat(rows[0].length))];
          expect(pictureRows(picture(pictureOf(rows)))).toEqual(whole);
        },
      ),
    ));

  it("has its lowest bit on top, a byte a column", () => {
    expect(pictureOf(["#.", "#.", "..", "..", "..", "..", "..", ".#"])).toEqual({ columns: 2, rows: 1, dots: "0380" });
    expect(pictureOf([])).toBeNull();
    expect(pictureOf(["", ""])).toBeNull();
  });

  it("takes what is missing for dark", () => {
    expect(pictureOf(["###", "#"])).toEqual({ columns: 3, rows: 1, dots: "030101" });
    expect(pictureRows({ shows: "picture", column: 0, row: 0, columns: 2, rows: 1, dots: "ff" })).toEqual(
      new Array<string>(8).fill("#."),
    );
  });

  it("is lit from the middle of the brightness on", () =>
    expect(pictureOfPoints(2, 1, (x) => [127, 128][x])).toEqual({ columns: 2, rows: 1, dots: "0001" }));
});
