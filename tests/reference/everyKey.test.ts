import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { simulate } from "@/core/engine/simulate";
import { bytesOf } from "@/core/hid/descriptorWriter";
import { interfaceKinds } from "@/core/hid/interfaceKinds";
import { hidInterfaces } from "@/core/hid/interfaces";
import { plainReports } from "@/core/hid/reportShape";
import { reportBytes } from "@/core/hid/reportBytes";
import { fillKeymap } from "@/core/edits/firstKeymap";
import { chooseController } from "@/core/edits/pins";
import { shareOutMatrix } from "@/core/edits/shareOutMatrix";
import { keyBlock } from "../support/designs";
import { type Field, OUTPUT, readDescriptor } from "./descriptorReader";

const KEY_BYTES = 28;
const descriptor = bytesOf(hidInterfaces.keyboard.descriptor({ ...plainReports, keyBytes: KEY_BYTES }));
const { collections, fields, depth } = readDescriptor(descriptor);

/** What a system that reads descriptors finds pressed: fields of one bit that are 1 (HID 1.11, section 6.2.2.5). */
const pressedBy = (bytes: Uint8Array, all: Field[]) =>
  all.flatMap(({ usage, at }) => (usage !== null && (bytes[at >> 3] >> (at & 7)) & 1 ? [usage & 0xff] : []));

describe("the descriptor of a keyboard that tells every key", () => {
  it("is a keyboard of the usage tables, with its lights", () => {
    // HID Usage Tables (from memory): generic desktop Keyboard 06; keys on page 07, lights on page 08.
    expect(collections).toEqual([0x10006]);
    expect(depth).toBe(0);
    expect(readDescriptor(descriptor, OUTPUT).fields.flatMap(({ usage }) => usage ?? [])).toEqual([
      0x80001, 0x80002, 0x80003, 0x80004, 0x80005,
    ]);
  });

  it("has the eight modifiers first, and no usage in the rest of the boot layout's eight bytes", () => {
    expect(fields.slice(0, 8).map(({ usage, at }) => [usage, at])).toEqual(
      [0, 1, 2, 3, 4, 5, 6, 7].map((bit) => [0x700e0 + bit, bit]),
    );
    const boot = fields.slice(8).filter(({ at }) => at < 64);
    expect(boot.length).toBeGreaterThan(0);
    expect(boot.every(({ usage }) => usage === null)).toBe(true);
  });

  it("has a bit for every other usage of the page, and nothing else", () => {
    const behind = fields.filter(({ at }) => at >= 64);
    expect(behind.map(({ usage, at, bits }) => [usage, at, bits])).toEqual(
      Array.from({ length: 0xe0 }, (_, usage) => [0x70000 + usage, 64 + usage, 1]),
    );
    expect(reportBytes(interfaceKinds[0], { ...plainReports, keyBytes: KEY_BYTES })).toBe(8 + KEY_BYTES);
  });
});

describe("what it sends", () => {
  const filled = fillKeymap(chooseController(shareOutMatrix(keyBlock(5, 4), "as-laid-out"), "small-5v-18"));
  const design = { ...filled, reportSet: { ...filled.reportSet, everyKey: true } };
  const usageOf = (id: string) => {
    const binding = design.keymap.layers[0].bindings[`${id}:press`];
    return binding?.does === "keyboard" ? binding.usage : 0;
  };

  it("says of any keys that are down all of them and no other, read by its descriptor", () => {
    const ids = design.controls.map(({ id }) => id).filter((id) => usageOf(id) > 0);
    expect(ids.length).toBeGreaterThan(12);
    fc.assert(
      fc.property(fc.subarray(ids), (down) => {
        const events = down.map((control, nth) => ({ atMs: 10 + nth, control, action: "press" as const }));
        const run = simulate(design, { events, untilMs: 100 });
        if (!run.ok) throw new Error("not played");
        const last = run.value.reports.findLast((report) => report.interface === "keyboard");
        const pressed = last ? pressedBy(last.bytes, fields) : [];
        expect(pressed.sort()).toEqual(down.map(usageOf).sort());
      }),
      { numRuns: 40 },
    );
  });
});
