import { describe, expect, it } from "vitest";
import { partSchema, postSchema, shapeSchema } from "./catalogue/parts/part";
import { placementSchema } from "./catalogue/kinds/controlKind";
import { circuitKinds } from "./circuits";
import { bedSchema, makingSchema, priceStepSchema } from "./document/makingSettings";
import { boardSchema, designSchema } from "./document/schema";
import { wireSettingsSchema } from "./document/wireSettings";
import { briefSchema, wishCounts, wishSchema } from "./document/wish";
import { between, listOf, text, whole, z } from "./schema";
import { entryOf, fieldOf, fieldsOf, isWhole, limitsOf } from "./schemaLimits";

const own = z.strictObject({
  length: between(-2, 7.5),
  count: z.optional(whole(1, 9)),
  name: z.nullable(text(1, 12)),
  list: listOf(whole(0, 3), 5, 2),
  flag: z.boolean(),
});

describe("What a schema allows", () => {
  it("is told for numbers, texts and lists, through what may be missing", () => {
    expect(limitsOf(fieldOf(own, "length"))).toEqual({ least: -2, most: 7.5 });
    expect(limitsOf(fieldOf(own, "count"))).toEqual({ least: 1, most: 9 });
    expect(limitsOf(fieldOf(own, "name"))).toEqual({ least: 1, most: 12 });
    expect(limitsOf(fieldOf(own, "list"))).toEqual({ least: 2, most: 5 });
    expect(limitsOf(fieldOf(own, "flag"))).toEqual({ least: -Infinity, most: Infinity });
  });

  it("tells whole numbers from others", () => {
    expect(isWhole(fieldOf(own, "count"))).toBe(true);
    expect(isWhole(entryOf(fieldOf(own, "list"))!)).toBe(true);
    for (const name of ["length", "name", "flag"]) expect(isWhole(fieldOf(own, name))).toBe(false);
  });

  it("names the fields in their order, and refuses one that is not there", () => {
    expect(fieldsOf(own).map(([name]) => name)).toEqual(["length", "count", "name", "list", "flag"]);
    expect(() => fieldOf(own, "constructor")).toThrow(/no field "constructor"/);
    expect(entryOf(own)).toBeNull();
  });

  it("is finite for every number that a tray shows", () => {
    const shown = [
      ...["xMm", "yMm", "rotationDeg"].map((key) => fieldOf(placementSchema, key)),
      ...["marginMm", "cornerRadiusMm"].map((key) => fieldOf(boardSchema, key)),
      fieldOf(boardSchema, "plate", "thicknessMm"),
      ...["xMm", "yMm"].map((key) => fieldOf(designSchema, "pitch", key)),
      ...["endMm", "slackPercent", "signalMm2", "supplyMm2"].map((key) => fieldOf(wireSettingsSchema, key)),
      ...["kerfMm", "filletMm", "reinforceMm", "reinforceClearMm", "pressN"].map((key) => fieldOf(makingSchema, key)),
      ...["widthMm", "heightMm"].flatMap((key) => [fieldOf(bedSchema, key), fieldOf(shapeSchema, key)]),
      ...["upToWidthMm", "upToHeightMm", "pieces", "price"].map((key) => fieldOf(priceStepSchema, key)),
      ...["xMm", "yMm", "diameterMm"].map((key) => fieldOf(postSchema, key)),
      ...["aboveMm", "belowMm", "price"].map((key) => fieldOf(partSchema, key)),
      ...["min", "max"].map((key) => fieldOf(partSchema, "plateMm", key)),
      ...["rows", "columns"].map((key) => fieldOf(briefSchema, "matrixShape", key)),
      ...[...wishCounts, "turnsPerSecond"].map((key) => fieldOf(wishSchema, key)),
      ...circuitKinds.flatMap(
        ({ kind, schema }) =>
          ({ ladder: ["perBank", "resistorOhm", "pullDownOhm"], "bus-displays": ["ownAddresses"] })[
            kind as string
          ]?.map((key) => fieldOf(schema, key)) ?? [],
      ),
    ];
    for (const schema of shown) {
      const { least, most } = limitsOf(schema);
      expect(Number.isFinite(least) && Number.isFinite(most) && least < most).toBe(true);
    }
    for (const line of wishCounts) expect(isWhole(fieldOf(wishSchema, line))).toBe(true);
    expect(isWhole(fieldOf(priceStepSchema, "pieces"))).toBe(true);
    expect(isWhole(fieldOf(priceStepSchema, "price"))).toBe(false);
  });
});
