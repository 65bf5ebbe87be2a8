import Papa from "papaparse";
import { describe, expect, it } from "vitest";
import { finishedPad, wiredDemos } from "../../../tests/support/designs";
import { derive } from "../derived/derive";
import { changeControl } from "../edits/controls";
import { bytesOf } from "../hid/descriptorWriter";
import { hidInterfaces } from "../hid/interfaces";
import { utf8 } from "./artifact";
import { artifacts } from "./registry";
import { wiresOf } from "../wires/wires";

const text = (bytes: Uint8Array) => new TextDecoder().decode(bytes);

async function make(id: string, design = finishedPad()) {
  const made = await artifacts.find((artifact) => artifact.id === id)!.make(design);
  if (!made.ok) throw new Error(JSON.stringify(made.problems));
  return made.value;
}

describe("exports", () => {
  it("are those that scripts rely on", () => {
    expect(artifacts.map((artifact) => artifact.id)).toEqual([
      "design",
      "wire-list-csv",
      "wire-sheets",
      "wires-solder-side-svg",
      "wires-parts-side-svg",
      "cut-list-csv",
      "connectors-csv",
      "diodes-csv",
      "netlist-356",
      "netlist-csv",
      "assembly-csv",
      "plate-svg",
      "plate-dxf",
      "plate-stl",
      "print-sheets",
      "legend-sheet",
      "positions-csv",
      "drill-csv",
      "report-descriptor-bin",
      "report-descriptor-hex",
      "firmware-c",
    ]);
  });

  it.each(artifacts.map((artifact) => artifact.id))("%s is the same for the same design", async (id) => {
    const [first, second] = [await make(id), await make(id)];
    expect(Buffer.from(first.bytes).equals(Buffer.from(second.bytes))).toBe(true);
    expect(first.bytes.length).toBeGreaterThan(20);
    expect(first.fileName).toMatch(/^pad[\w.-]+$/);
  });

  it("write the descriptors of the declared interfaces only, one after the other", async () => {
    const both = [...bytesOf(hidInterfaces.keyboard.descriptor()), ...bytesOf(hidInterfaces.consumer.descriptor())];
    expect([...(await make("report-descriptor-bin")).bytes]).toEqual(both);
    const one = { ...finishedPad(), reportSet: { productName: "P", interfaces: ["consumer" as const] } };
    expect([...(await make("report-descriptor-bin", one)).bytes]).toEqual([
      ...bytesOf(hidInterfaces.consumer.descriptor()),
    ]);
  });

  it("write the same bytes in hexadecimal", async () => {
    const listing = text((await make("report-descriptor-hex")).bytes);
    const bytes = [...listing.matchAll(/^((?:[0-9A-F]{2} ?)+)#?/gm)].flatMap(([, hex]) =>
      hex
        .trim()
        .split(/\s+/)
        .map((byte) => parseInt(byte, 16)),
    );
    expect(bytes).toEqual([...(await make("report-descriptor-bin")).bytes]);
  });
});

describe("the wire list", () => {
  it("joins all ends of a net, and one of them with the controller", () => {
    for (const design of wiredDemos) {
      const wires = wiresOf(design);
      const { nets } = derive(design);
      const leads = nets.filter(({ need, role }) => need !== null || role === "ground" || role === "supply");
      const ends = nets.reduce((sum, { taps }) => sum + taps.length - 1, 0);
      expect(wires).toHaveLength(ends + leads.length);
      expect(new Set(wires.map(({ key }) => key)).size).toBe(wires.length);
      for (const { straightMm, cutMm } of wires) expect(cutMm).toBeGreaterThanOrEqual(straightMm);
    }
  });

  it("can be read back by a CSV reader, awkward labels and all", async () => {
    const design = changeControl(finishedPad(), "k1", { label: '=1+1, "x"' });
    const { data } = Papa.parse<Record<string, string>>(text((await make("wire-list-csv", design)).bytes).trim(), {
      header: true,
    });
    expect(data).toHaveLength(wiresOf(design).length);
    expect(data.some((row) => row.From === `'=1+1, "x" contact 1` || row.To === `'=1+1, "x" contact 1`)).toBe(true);
  });
});

describe("UTF-8", () => {
  it.each(["plain", "Größe µm", "⌀ 3 mm → R1", "🔧 𝄞"])("of %s is what every decoder reads", (words) =>
    expect(text(utf8(words))).toBe(words),
  );
});

describe("the position table for assembly", () => {
  it("has every control, the module, added parts and small parts once, with their values", async () => {
    const glasshouse = wiredDemos.find(({ id }) => id === "glasshouse")!;
    const rows = (bytes: Uint8Array) => Papa.parse<Record<string, string>>(text(bytes).trim(), { header: true }).data;
    const large = rows((await make("assembly-csv", glasshouse)).bytes);
    expect(large.filter(({ Value }) => /74HC4067/.test(Value))).toHaveLength(4);
    expect(large.filter(({ Value }) => Value === "resistor")).toHaveLength(24);
    expect(large).toHaveLength(glasshouse.controls.length + 1 + 7 + 24);
    const small = rows((await make("assembly-csv")).bytes);
    expect(small.filter(({ Value }) => Value === "1N4148")).toHaveLength(10);
    expect(new Set(small.map(({ Part }) => Part)).size).toBe(small.length);
  });
});

describe("the wire sheets", () => {
  it("show both sides, mirrored but for the words, and every wire once", async () => {
    const done = { ...finishedPad(), wires: { ...finishedPad().wires, done: [wiresOf(finishedPad())[0].key] } };
    const sheet = text((await make("wire-sheets", done)).bytes);
    expect(sheet.match(/☑/g)).toHaveLength(1);
    expect(sheet.match(/☐/g)).toHaveLength(wiresOf(done).length - 1);
    expect(sheet).toContain('transform="scale(-1 1)"');
    const front = text((await make("wires-parts-side-svg")).bytes);
    expect(front).not.toContain('<g transform="scale(-1 1)">');
    expect(front.match(/stroke-dasharray/g)).toHaveLength(wiresOf(finishedPad()).length);
  });

  it("are refused in words while nothing is wired", async () => {
    const made = await artifacts.find(({ id }) => id === "wire-sheets")!.make({ ...finishedPad(), circuits: [] });
    expect(made.ok).toBe(false);
  });
});
