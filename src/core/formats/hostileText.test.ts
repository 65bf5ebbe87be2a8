import { XMLValidator } from "fast-xml-parser";
import Papa from "papaparse";
import { describe, expect, it } from "vitest";
import { demoDesigns } from "../../../demo";
import { finishedPad, pad } from "../../../tests/support/designs";
import { cleaned, cleanedWithin, isClean } from "../cleanText";
import { readDesign } from "../document/readDesign";
import { newDesign } from "../document/newDesign";
import type { Design } from "../document/schema";
import { findingsOf } from "../findings/check";
import { artifactNamed, artifacts } from "../exports/registry";

const nasty = 'A\u0000\u001b\ud800"]]><script>*/ #error ??/\\\u2028';

/** A design whose every name and label is nasty, as a file would bring it. */
function hostile(design: Design): Design {
  const json = {
    ...design,
    name: nasty,
    note: nasty,
    boards: design.boards.map((board) => ({ ...board, name: nasty })),
    controls: design.controls.map((control, nth) => ({ ...control, label: `${nasty}${nth}`.slice(0, 40) })),
    circuits: design.circuits.map((circuit) => ({ ...circuit, name: nasty })),
  };
  const read = readDesign(json);
  if (!read.ok) throw new Error(JSON.stringify(read.problems));
  return read.value;
}

/** Ids that are properties of every object. */
const PROTOTYPE_IDS = ["constructor", "toString", "hasOwnProperty", "valueOf", "__proto__"];

function named(design: Design, ids: string[]): Design {
  const renamed = new Map(design.controls.slice(0, ids.length).map(({ id }, nth) => [id, ids[nth]]));
  const text = JSON.stringify(design);
  const swapped = [...renamed].reduce(
    (all, [from, to]) => all.replaceAll(`"${from}"`, `"${to}"`).replaceAll(`"${from}:`, `"${to}:`),
    text,
  );
  const read = readDesign(JSON.parse(swapped));
  if (!read.ok) throw new Error(JSON.stringify(read.problems));
  return read.value;
}

const textOf = async (design: Design, id: string): Promise<string | null> => {
  const made = await artifactNamed(id)!.make(design);
  return made.ok ? new TextDecoder("utf-8", { fatal: true }).decode(made.value.bytes) : null;
};

describe("cleaning", () => {
  it("keeps what can be printed and replaces the rest", () => {
    expect(cleaned("Käse\n\t😀")).toBe("Käse\n\t😀");
    expect(cleaned("a\u0007b\ud800c\udc00")).toBe("a b\ufffdc\ufffd");
    expect(isClean(cleaned(nasty))).toBe(true);
  });

  it("leaves a clean value the same object", () => {
    const value = { a: ["x", { b: "y" }] };
    expect(cleanedWithin(value)).toBe(value);
  });
});

describe.each([...demoDesigns, finishedPad()])("$name with hostile texts", (design) => {
  const bad = hostile(design);

  it.each(
    artifacts.map(({ id }) => id).filter((id) => id.endsWith("svg") || id.endsWith("sheet") || id.endsWith("sheets")),
  )("gives a well-formed drawing: %s", async (id) => {
    const text = await textOf(bad, id);
    if (text === null) return;
    expect(isClean(text)).toBe(true);
    expect(text).not.toContain("<script");
    if (text.startsWith("<svg")) expect(XMLValidator.validate(text)).toBe(true);
  });

  it.each(artifacts.map(({ id }) => id).filter((id) => id.includes("csv")))("gives a sound table: %s", async (id) => {
    const text = await textOf(bad, id);
    if (text === null) return;
    expect(isClean(text.replaceAll("\r\n", "\n"))).toBe(true);
    const { data } = Papa.parse<string[]>(text.replace(/\r\n$/, ""), { delimiter: "," });
    expect(new Set(data.map((record) => record.length)).size).toBe(1);
  });
});

describe("tables with nothing in them", () => {
  it.each(artifacts.map(({ id }) => id).filter((id) => id.includes("csv")))(
    "have a header and no record: %s",
    async (id) => {
      const text = await textOf(newDesign("empty", "Empty"), id);
      if (text === null) return;
      expect(text).toMatch(/^[^\r\n]+\r\n$/);
    },
  );
});

describe.each([pad(), ...demoDesigns])("$name with ids that every object has", (design) => {
  const odd = named(design, PROTOTYPE_IDS);

  it.each(artifacts)("is exported: $id", async (artifact) => {
    const made = await artifact.make(odd);
    if (!made.ok) expect(made.problems.length).toBeGreaterThan(0);
  });

  it("is checked, with the same findings as under plain ids", () => {
    const rules = (d: Design) => findingsOf(d).map(({ rule }) => rule);
    const plain = named(design, ["one", "two", "three", "four", "five"]);
    expect(rules(odd)).toEqual(rules(plain));
  });
});
