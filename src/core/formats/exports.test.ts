import Papa from "papaparse";
import { describe, expect, it } from "vitest";
import { finishedPad, wiredDemos } from "../../../tests/support/designs";
import type { Net } from "../circuits/net";
import { derive } from "../derived/derive";
import { changeControl } from "../edits/controls";
import { adoptPinPlan, chooseController } from "../edits/pins";
import { planPins } from "../pins/planPins";
import { bytesOf } from "../hid/descriptorWriter";
import { hidInterfaces } from "../hid/interfaces";
import { utf8 } from "./artifact";
import { artifacts } from "../exports/registry";
import { netlistOf } from "../wires/netlist";
import { plainReports } from "../hid/reportShape";
import { isPad, wiresOf } from "../wires/wires";

const text = (bytes: Uint8Array) => new TextDecoder().decode(bytes);

async function make(id: string, design = finishedPad()) {
  const made = await artifacts.find((artifact) => artifact.id === id)!.make(design);
  if (!made.ok) throw new Error(JSON.stringify(made.problems));
  return made.value;
}

/** The pad on a class that runs Python. */
function padOnPython() {
  const moved = chooseController(finishedPad(), "dual-core-3v3-26");
  return adoptPinPlan(moved, planPins(moved));
}
const onPython = padOnPython();

describe("exports", () => {
  it("are those that scripts rely on", () => {
    expect(artifacts.map((artifact) => artifact.id)).toEqual([
      "design",
      "design-archive",
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
      "parts-csv",
      "steps-sheet",
      "labels-sheet",
      "plate-svg",
      "plate-dxf",
      "plate-stl",
      "case-stl",
      "case-3mf",
      "case-dxf",
      "case-svg",
      "print-sheets",
      "legend-sheet",
      "keymap-card",
      "keymap-csv",
      "keymap-words",
      "positions-csv",
      "drill-csv",
      "power-csv",
      "circuit-cir",
      "schematic-svg",
      "schematic-sheets",
      "report-descriptor-bin",
      "report-descriptor-hex",
      "flash-image",
      "build-book",
      "journal-csv",
      "firmware-project",
      "firmware-python",
      "firmware-c",
    ]);
  });

  it.each(artifacts.map((artifact) => artifact.id))("%s is the same for the same design", async (id) => {
    const design = id === "firmware-python" ? onPython : finishedPad();
    const [first, second] = [await make(id, design), await make(id, structuredClone(design))];
    expect(Buffer.from(first.bytes).equals(Buffer.from(second.bytes))).toBe(true);
    expect(first.bytes.length).toBeGreaterThan(20);
    expect(first.fileName).toMatch(/^pad[\w.-]+$/);
  });

  it("write the descriptors of the declared interfaces only, one after the other", async () => {
    const all = (["keyboard", "consumer", "live"] as const).flatMap((kind) => [
      ...bytesOf(hidInterfaces[kind].descriptor(plainReports)),
    ]);
    expect([...(await make("report-descriptor-bin")).bytes]).toEqual(all);
    const one = {
      ...finishedPad(),
      reportSet: { ...finishedPad().reportSet, productName: "P", interfaces: ["consumer" as const] },
    };
    expect([...(await make("report-descriptor-bin", one)).bytes]).toEqual([
      ...bytesOf(hidInterfaces.consumer.descriptor(plainReports)),
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
      // A resistor at a contact is soldered to it by its own lead: both are one place.
      const placesOf = ({ joints }: Net) => new Set(joints.map(({ at }) => `${at.xMm} ${at.yMm}`)).size;
      const ends = nets.reduce((sum, net) => sum + placesOf(net) - 1, 0);
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
    expect(large.filter(({ Value }) => Value === "470 Ω")).toHaveLength(24);
    expect(large).toHaveLength(glasshouse.controls.length + 1 + 8 + 24);
    const small = rows((await make("assembly-csv")).bytes);
    expect(small.filter(({ Value }) => Value === "1N4148")).toHaveLength(10);
    expect(new Set(small.map(({ Part }) => Part)).size).toBe(small.length);
  });

  it.each(wiredDemos)("calls the parts of $name as the netlist does", async (design) => {
    const { data } = Papa.parse<Record<string, string>>(text((await make("assembly-csv", design)).bytes).trim(), {
      header: true,
    });
    const placed = new Set(data.map(({ Part }) => Part));
    for (const { part } of netlistOf(design).flatMap(({ pins }) => pins)) expect(placed.has(part), part).toBe(true);
  });

  it("takes a key that is called like a diode for a key", async () => {
    const design = changeControl(finishedPad(), "k1", { label: "D_up" });
    const { data } = Papa.parse<Record<string, string>>(text((await make("assembly-csv", design)).bytes).trim(), {
      header: true,
    });
    expect(data.filter(({ Part }) => Part === "D_up")).toHaveLength(1);
  });
});

describe("the wire sheets", () => {
  it("tick off every wire once", async () => {
    const done = { ...finishedPad(), wires: { ...finishedPad().wires, done: [wiresOf(finishedPad())[0].key] } };
    const sheet = text((await make("wire-sheets", done)).bytes);
    expect(sheet.match(/☑/g)).toHaveLength(1);
    expect(sheet.match(/☐/g)).toHaveLength(wiresOf(done).length - 1);
  });

  it("draw a line for each wire between parts, and a flag at both ends of each lead", async () => {
    const wires = wiresOf(finishedPad());
    const leads = wires.filter(({ to }) => isPad(to));
    const front = text((await make("wires-parts-side-svg")).bytes);
    expect(front.match(/stroke-dasharray="[^"]*" fill="none"\/>\n/g)).toHaveLength(wires.length - leads.length);
    for (const { net, to } of leads) {
      expect(front).toContain(`>${net} → ${to.name.slice("pin ".length)}<`);
      expect(front).toMatch(new RegExp(`font-weight="bold" class="halo">${net}<`));
    }
  });

  it("show the module with the name of every pad", async () => {
    const front = text((await make("wires-parts-side-svg")).bytes);
    const { profile } = derive(finishedPad());
    for (const { name } of profile!.pins) expect(front).toContain(`>${name}</text>`);
    const bare = { ...finishedPad(), controllers: [], pinPlan: {} };
    expect(text((await make("wires-parts-side-svg", bare)).bytes)).not.toContain(">plug<");
  });

  it("are mirrored seen from the solder side, and no word is", async () => {
    const x = (svg: string, word: string) =>
      Number(new RegExp(`<text x="([-.0-9]+)"[^>]*>${word}</text>`).exec(svg)![1]);
    const front = text((await make("wires-parts-side-svg")).bytes);
    const back = text((await make("wires-solder-side-svg")).bytes);
    expect(x(front, "K1")).toBeLessThan(x(front, "K3"));
    expect(x(back, "K1")).toBeGreaterThan(x(back, "K3"));
    expect(back).not.toContain("scale(-1");
  });

  it("give each board pages of its own, and name the place of every link on the connector between them", async () => {
    const loom = wiredDemos.find(({ id }) => id === "loom-64")!;
    const sheet = text((await make("wire-sheets", loom)).bytes);
    expect(sheet.match(/<section>/g)).toHaveLength(3);
    const [left, right] = sheet.split("<section>").slice(1);
    const links = wiresOf(loom).filter(({ phase }) => phase === "links");
    expect(left).toContain(">J1 to Right half<");
    expect(right).toContain(">J1 to Left half<");
    links.forEach(({ net, from, to }, nth) => {
      const flag = `>${net} → J1.${nth + 1}<`;
      for (const [page, boardId] of [
        [left, loom.boards[0].id],
        [right, loom.boards[1].id],
      ] as const) {
        const own = [from, to].filter((end) => end.boardId === boardId && !isPad(end));
        expect(page.split(flag)).toHaveLength(own.length + 1);
      }
    });
    expect(right).not.toContain(">plug<");
    const ticks = (page: string) => page.match(/☐/g)?.length ?? 0;
    expect(sheet.split("<section>").reduce((sum, page) => sum + ticks(page), 0)).toBe(wiresOf(loom).length);
  });

  it("explain what they show and nothing else", async () => {
    const small = text((await make("wires-parts-side-svg")).bytes);
    expect(small).toContain("the bar is its ring");
    expect(small).not.toContain("connector J1");
    const glasshouse = wiredDemos.find(({ id }) => id === "glasshouse")!;
    const large = text((await make("wires-parts-side-svg", glasshouse)).bytes);
    expect(large).toContain("branch to an added part");
    expect(large).not.toContain("the bar is its ring");
    expect(large).toContain(">MUX U1<");
    expect(large).toContain(">OUT U1<");
  });

  it("are refused in words while nothing is wired", async () => {
    const made = await artifacts.find(({ id }) => id === "wire-sheets")!.make({ ...finishedPad(), circuits: [] });
    expect(made.ok).toBe(false);
  });
});
