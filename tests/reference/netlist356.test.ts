import { describe, expect, it } from "vitest";
import { demoDesigns } from "../../demo";
import { changeControl } from "@/core/edits/controls";
import { netlist356 } from "@/core/formats/netlist356";
import { netlistOf } from "@/core/wires/netlist";
import { finishedPad } from "../support/designs";

// Source: the record layout of IPC-D-356A (from memory of its published description): 317 in columns 1 to 3, net name
// 4 to 17, part 21 to 26, a dash in 27, pin 28 to 31, D and hole diameter 33 to 37, P or U in 38, access A and two
// digits 39 to 41, X and Y with sign and six digits from 42 and 50, units of 0.001 mm under CUST 1, aliases by NNAME.
interface Entry {
  net: string;
  part: string;
  pin: string;
  xMm: number;
  yMm: number;
}

function readRecord(line: string, aliases: Map<string, string>): Entry {
  const field = (from: number, to: number) => line.slice(from - 1, to);
  expect(field(1, 3)).toBe("317");
  expect(field(27, 27)).toBe("-");
  expect(field(33, 33)).toBe("D");
  expect(field(34, 37)).toMatch(/^\d{4}$/);
  expect(field(38, 38)).toMatch(/^[PU]$/);
  expect(field(39, 41)).toMatch(/^A\d\d$/);
  const [x, y] = [/^X([+-]\d{6})$/.exec(field(42, 49)), /^Y([+-]\d{6})$/.exec(field(50, 57))];
  if (!x || !y) throw new Error(`no coordinates in "${line}"`);
  const net = field(4, 17).trim();
  return {
    net: aliases.get(net) ?? net,
    part: field(21, 26).trim(),
    pin: field(28, 31).trim(),
    xMm: Number(x[1]) / 1000,
    yMm: Number(y[1]) / 1000,
  };
}

function readFile(text: string): { entries: Entry[]; parts: Map<string, string> } {
  const lines = text.split("\r\n").filter(Boolean);
  expect(lines.at(-1)).toBe("999");
  expect(lines).toContain("P  UNITS CUST 1");
  for (const line of lines) expect(line.length).toBeLessThanOrEqual(80);
  const aliases = new Map(
    lines.flatMap((line) => {
      const found = /^P {2}(NNAME\d+)\s+(\S+)$/.exec(line);
      return found ? [[found[1], found[2]] as const] : [];
    }),
  );
  const parts = new Map(
    lines.flatMap((line) => {
      const found = /^C {2}PART (\S+) IS (\S+)$/.exec(line);
      return found ? [[found[1], found[2]] as const] : [];
    }),
  );
  return { entries: lines.filter((line) => /^3\d7/.test(line)).map((line) => readRecord(line, aliases)), parts };
}

const textOf = async (design: Parameters<typeof netlist356.make>[0]) => {
  const made = await netlist356.make(design);
  if (!made.ok) throw new Error(JSON.stringify(made.problems));
  return new TextDecoder().decode(made.value.bytes);
};

const tidy = (name: string) => name.replace(/\s+/g, "_").replace(/[^\x21-\x7e]/g, "?");

describe.each([finishedPad(), ...demoDesigns])("the netlist of $name in IPC-D-356A", (design) => {
  it("reads back with every end of every net at its place", async () => {
    const { entries, parts } = readFile(await textOf(design));
    const nets = netlistOf(design);
    expect(entries).toHaveLength(nets.reduce((sum, { pins }) => sum + pins.length, 0));
    const key = (net: string, part: string, pin: string, x: number, y: number) =>
      [net, part, pin, x.toFixed(3), y.toFixed(3)].join(" ");
    const read = entries.map((e) => key(e.net, parts.get(e.part) ?? e.part, e.pin, e.xMm + 0, e.yMm + 0)).sort();
    const own = nets
      .flatMap(({ name, pins }) =>
        pins.map(({ part, number, at }) => {
          const [x, y] = [Math.round(at.xMm * 1000) / 1000 + 0, -Math.round(at.yMm * 1000) / 1000 + 0];
          return key(tidy(name), part, String(number), x, y);
        }),
      )
      .sort();
    expect(read).toEqual(own);
  });

  it("keeps part ends apart: no end of a part is on two nets", async () => {
    const { entries } = readFile(await textOf(design));
    const nets = new Map<string, string>();
    for (const { part, pin, net } of entries) {
      const end = `${part}-${pin}`;
      expect(nets.get(end) ?? net, end).toBe(net);
      nets.set(end, net);
    }
  });

  it("has a diode of its own between each switch of a matrix and its row", async () => {
    const diodes = netlistOf(design).filter(
      ({ pins }) => pins.length === 2 && pins.some(({ part }) => /^D_/.test(part)),
    );
    for (const { pins } of diodes) expect(pins.filter(({ part }) => /^D_/.test(part))).toHaveLength(1);
  });
});

describe("awkward names", () => {
  it("are cut to their columns, told apart by aliases, and keep the records whole", async () => {
    const long = changeControl(finishedPad(), "l1", { label: "A lamp with a name much too long" });
    const other = changeControl(long, "k1", { label: "Ärger & Co. × 17" });
    const { entries } = readFile(await textOf(other));
    expect(new Set(entries.map(({ net }) => net)).has("A_lamp_with_a_name_much_too_long")).toBe(true);
  });
});
