import { partsList } from "../purchase/partsList";
import { type Artifact, asText } from "./artifact";
import { csvFile } from "./csvFile";

const money = (value: number) => value.toFixed(2);

export const partsCsv: Artifact = {
  id: "parts-csv",
  title: "Parts list",
  purpose: "What one device is made of: alike parts on one line, with how many, usual prices, and which they are.",
  make: async (design) =>
    csvFile(
      design,
      "parts",
      ["Group", "Part", "Count", "Unit", "Price each", "Price", "Which"],
      partsList(design).map(({ group, name, count, unit, priceEach, of }) => ({
        Group: group,
        Part: asText(name),
        Count: unit === "m" ? count.toFixed(2) : count,
        Unit: unit,
        "Price each": priceEach === null ? "" : money(priceEach),
        Price: priceEach === null ? "" : money(priceEach * count),
        Which: asText(of.join(", ")),
      })),
    ),
};
