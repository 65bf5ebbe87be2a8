import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { PANEL } from "../contract/panel";
import { controllerOf, flagsHeard, panelMessages, readMessage, readPanelNote, valueOf } from "./panelNotes";
import { HIGHEST_FIRST_CONTROLLER } from "./panelSettings";

const heard = { channel: 2, note: 60, controller: 20 };

describe("what notes tell a panel", () => {
  it.each([
    [[0x92, 60, 1], [{ of: "flags", nth: 0, to: 1 }]],
    [[0x92, 60, 0], [{ of: "flags", nth: 0, to: 0 }]],
    [[0x82, 123, 64], [{ of: "flags", nth: 63, to: 0 }]],
    [[0xb2, 27, 127], [{ of: "values", nth: 7, to: 255 }]],
    [[0xb2, 20, 64], [{ of: "values", nth: 0, to: 129 }]],
    [[0xb2, 28, 1], []],
    [[0x92, 59, 1], []],
    [[0x92, 124, 1], []],
    [[0x91, 60, 1], []],
    [[0xc2, 60], []],
    [[0xe2, 60, 1], []],
  ])("%j is %j", (message, told) => expect(readPanelNote(message, heard)).toEqual(told));

  it("is that all flags are down, when all notes are to be silent", () =>
    expect(readPanelNote([0xb2, 123, 0], heard)).toHaveLength(PANEL.FLAGS));

  it("spans a value with the seven bits of a controller", () => {
    expect([0, 1, 63, 64, 127].map(valueOf)).toEqual([0, 2, 126, 129, 255]);
    for (let to = 0; to < 128; to++) expect(controllerOf(valueOf(to))).toBe(to);
  });

  it("has as many flags as there are notes above the first", () =>
    expect([0, 64, 65, 127].map((note) => flagsHeard({ ...heard, note }))).toEqual([64, 64, 63, 1]));
});

describe("a message written down", () => {
  it("is read with and without spaces", () => {
    expect(readMessage("90 3C 7F")).toEqual([0x90, 0x3c, 0x7f]);
    expect(readMessage("c005")).toEqual([0xc0, 5]);
  });

  it.each(["", "90", "903c", "903c80", "3c3c3c", "f03c7f", "c00505", "9g3c7f", "903c7f00", "constructor"])(
    "is none: %s",
    (text) => expect(readMessage(text)).toBeNull(),
  );
});

describe("messages of a program that tells a panel", () => {
  const told = fc.record({
    flags: fc.array(fc.boolean(), { maxLength: PANEL.FLAGS }),
    values: fc.array(fc.integer({ min: 0, max: 127 }).map(valueOf), { maxLength: PANEL.VALUES }),
  });
  const settings = fc.record({
    channel: fc.integer({ min: 0, max: 15 }),
    note: fc.integer({ min: 0, max: 64 }),
    controller: fc.integer({ min: 0, max: HIGHEST_FIRST_CONTROLLER }),
  });

  it("bring it from anything to anything else, and say nothing twice", () =>
    fc.assert(
      fc.property(told, told, settings, (before, now, own) => {
        const state = {
          flags: Array.from({ length: PANEL.FLAGS }, (_, nth) => Number(before.flags[nth] ?? false)),
          values: Array.from({ length: PANEL.VALUES }, (_, nth) => before.values[nth] ?? 0),
        };
        const messages = panelMessages(before, now, own);
        for (const message of messages) {
          expect(readMessage(message.map((byte) => byte.toString(16).padStart(2, "0")).join(""))).toEqual(message);
          for (const { of, nth, to } of readPanelNote(message, own)) {
            expect(state[of][nth]).not.toBe(to);
            state[of][nth] = to;
          }
        }
        expect(state.flags).toEqual(state.flags.map((_, nth) => Number(now.flags[nth] ?? false)));
        expect(state.values).toEqual(state.values.map((_, nth) => now.values[nth] ?? 0));
        expect(panelMessages(now, now, own)).toEqual([]);
      }),
      { numRuns: 500 },
    ));

  it("leave out flags that no note is left for", () => {
    const all = { flags: Array<boolean>(8).fill(true), values: [] };
    const messages = panelMessages({ flags: [], values: [] }, all, { ...heard, note: 124 });
    expect(messages.map(([, note]) => note)).toEqual([124, 125, 126, 127]);
  });
});
