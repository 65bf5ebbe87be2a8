import { describe, expect, it } from "vitest";
import { readOfferTable, readStockTable } from "./purchaseTables";

describe("a table of prices", () => {
  it("makes quantity steps of several lines of one part, by rising quantities", () => {
    const { suppliers, problems } = readOfferTable(
      [
        "supplier,part,price,from,pack,least",
        "Harbour,Diode 1N4148,0.04,1,10,20",
        "Harbour,Diode 1N4148,0.02,100,10,20",
        "Harbour,Resistor 470 Ω,0.01,,,",
        "Fen,Diode 1N4148,0.03,1,1,0",
      ].join("\n"),
    );
    expect(problems).toEqual([]);
    expect(suppliers).toEqual([
      {
        supplier: "Harbour",
        offers: [
          {
            part: "Diode 1N4148",
            pack: 10,
            least: 20,
            steps: [
              { from: 1, each: 0.04 },
              { from: 100, each: 0.02 },
            ],
          },
          { part: "Resistor 470 Ω", pack: 1, least: 0, steps: [{ from: 1, each: 0.01 }] },
        ],
      },
      { supplier: "Fen", offers: [{ part: "Diode 1N4148", pack: 1, least: 0, steps: [{ from: 1, each: 0.03 }] }] },
    ]);
  });

  it("takes semicolons with decimal commas, columns in any order, and names like properties", () => {
    const { suppliers } = readOfferTable("part;supplier;price\nconstructor;__proto__;0,5");
    expect(suppliers).toEqual([
      { supplier: "__proto__", offers: [{ part: "constructor", pack: 1, least: 0, steps: [{ from: 1, each: 0.5 }] }] },
    ]);
  });

  it("leaves out what it cannot read, and says where", () => {
    const { suppliers, problems } = readOfferTable(
      "supplier,part,price,pack\nFen,,1,1\n,Diode,1,1\nFen,Diode,much,1\nFen,Diode,-1,1\nFen,Diode,1,0\nFen,Lamp,1,1",
    );
    expect(problems.map(({ line }) => line)).toEqual([2, 3, 4, 5, 6]);
    expect(suppliers[0].offers.map(({ part }) => part)).toEqual(["Lamp"]);
  });
});

describe("a table of stock", () => {
  it("adds a part on two lines together, and tells lines without part or number", () => {
    const { stock, problems } = readStockTable(
      "part,count\nDiode 1N4148,40\nDiode 1N4148,12\n,3\nLamp,many\ntoString,2",
    );
    expect([...stock]).toEqual([
      ["Diode 1N4148", 52],
      ["toString", 2],
    ]);
    expect(problems.map(({ line }) => line)).toEqual([4, 5]);
  });
});
