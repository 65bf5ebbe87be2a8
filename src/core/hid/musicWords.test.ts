import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { musicEventOf, musicEventWords, musicEventsOf } from "./musicEvents";
import { controllerName, noteName, noteNamed } from "./musicWords";

describe("names of notes", () => {
  // Common practice: 60 is the C in the middle, 69 the A of 440 Hz, 0 and 127 the ends.
  it.each([
    [60, "C4"],
    [69, "A4"],
    [61, "C♯4"],
    [0, "C-1"],
    [127, "G9"],
  ])("%i is %s", (note, name) => expect(noteName(note)).toBe(name));

  it("are read back, whatever the note", () =>
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 127 }), (note) => {
        expect(noteNamed(noteName(note))).toBe(note);
      }),
    ));

  it.each([
    ["f#3", 54],
    ["Bb2", 46],
    [" c4 ", 60],
    ["E♯4", 65],
    ["Cb4", 59],
    ["72", 72],
  ])("%s is read too", (words, note) => expect(noteNamed(words)).toBe(note));

  it.each(["", "H4", "C", "C10", "Cb-1", "G#9", "128", "-1", "C4 C5", "4C", "1e2"])("%s is none", (words) =>
    expect(noteNamed(words)).toBeNull(),
  );
});

describe("events of music", () => {
  it.each([
    [[0x90, 60, 96], "C4 on, velocity 96, channel 1"],
    [[0x9f, 60, 0], "C4 off, channel 16"],
    [[0x81, 60, 64], "C4 off, channel 2"],
    [[0xb0, 7, 100], "controller 7 (channel volume) at 100, channel 1"],
    [[0xb2, 123, 0], "all notes off, channel 3"],
    [[0xb0, 3, 9], "controller 3 at 9, channel 1"],
    [[0xc0, 11, 0], "program 12, channel 1"],
    [[0xe0, 0x7f, 0x7f], "pitch +8191, channel 1"],
    [[0xe0, 0, 0], "pitch -8192, channel 1"],
    [[0xe0, 0, 0x40], "pitch 0, channel 1"],
  ])("%j is %s", (bytes, words) => expect(musicEventWords(musicEventOf(bytes)!)).toBe(words));

  it("leaves out what the device never sends, and the rest of a torn report", () => {
    expect(musicEventOf([0xf8, 0, 0])).toBeNull();
    const events = musicEventsOf(Uint8Array.from([0x0f, 0xf8, 0, 0, 9, 0x90, 60, 1, 9, 0x90]));
    expect(events).toEqual([{ channel: 0, what: "on", number: 60, value: 1 }]);
  });

  it("names no controller after a property that every object has", () =>
    expect(controllerName("constructor" as unknown as number)).toBe("controller constructor"));
});
