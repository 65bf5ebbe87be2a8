import { describe, expect, it } from "vitest";
import { finishedPad } from "../../../tests/support/designs";
import { TABLE_VERSION } from "../contract/contract";
import { FRAME_AT, FRAME_BYTES, HELLO_AT, LIVE_VERSION, STATUS } from "../contract/live";
import { type Transport, TransportClosed } from "../loader/transport";
import { randomFrom } from "../optimisation/random";
import { Conversation } from "./conversation";
import { compare } from "./differences";

/** A clock that runs only while it is waited for, and a device that answers as it likes. */
function against(answer: (question: Uint8Array) => Uint8Array) {
  let nowMs = 0;
  let question = new Uint8Array(FRAME_BYTES);
  const transport: Transport = {
    open: async () => {},
    send: async (bytes) => void (question = bytes.slice()),
    receive: async (waitMs) => {
      nowMs += waitMs;
      return answer(question);
    },
    close: async () => {},
  };
  return new Conversation(transport, { now: () => nowMs, pause: async (ms) => void (nowMs += ms) });
}

/** A hello with these bytes set, the rest as of a device with nothing. */
function hello(fields: Partial<Record<keyof typeof HELLO_AT, number>>) {
  return (question: Uint8Array) => {
    const frame = question.slice();
    frame[FRAME_AT.STATUS] = STATUS.OK;
    if (question[FRAME_AT.COMMAND] !== 1) return frame;
    frame[HELLO_AT.LIVE_VERSION] = LIVE_VERSION;
    frame[HELLO_AT.TABLE_VERSION] = TABLE_VERSION;
    for (const [name, value] of Object.entries(fields)) frame[HELLO_AT[name as keyof typeof HELLO_AT]] = value;
    return frame;
  };
}

describe("a device that answers as it likes", () => {
  it.each<[string, (question: Uint8Array) => Uint8Array, RegExp]>([
    ["nothing", () => new Uint8Array(), /does not answer/],
    ["zeros", () => new Uint8Array(FRAME_BYTES), /does not answer/],
    ["a frame too long", () => new Uint8Array(500).fill(7), /does not answer/],
    [
      "another token",
      (q) => hello({})(q).map((byte, at) => (at === FRAME_AT.TOKEN ? byte ^ 1 : byte)),
      /does not answer/,
    ],
    [
      "that it is at work, for ever",
      (q) => q.map((byte, at) => (at === FRAME_AT.STATUS ? STATUS.WORKING : byte)),
      /answer/,
    ],
    [
      "a status that there is not",
      (q) => q.map((byte, at) => (at === FRAME_AT.STATUS ? 200 : byte)),
      /means nothing: 200/,
    ],
    ["another version", hello({ LIVE_VERSION: 9 }), /older or newer/],
    ["tables of another version", hello({ TABLE_VERSION: 1 }), /older or newer/],
    ["more layers than there can be", hello({ LAYERS: 255 }), /no device can have/],
    ["more inputs than there can be", hello({ INPUTS: 255 }), /no device can have/],
  ])("with %s is told in words", async (_what, answer, words) => {
    await expect(against(answer).hello()).rejects.toThrow(words);
  });

  it("with counts of another design, and even its CRC, is never taken for it", async () => {
    const talk = against(hello({ LAYERS: 3, INPUTS: 5 }));
    const keymap = await talk.read(await talk.hello());
    expect(compare(finishedPad(), keymap)).toMatchObject({
      changes: null,
      refusal: expect.stringMatching(/load it again/),
    });
    const same = against(hello({ LAYERS: 1, INPUTS: 1 }));
    const one = await same.read(await same.hello());
    const claims = { ...one, hello: { ...one.hello, fixedCrc: 0x1234 } };
    for (let crc = 0; crc < 0x10000; crc += 0x0101)
      expect(compare(finishedPad(), { ...claims, hello: { ...claims.hello, fixedCrc: crc } }).changes).toBeNull();
  });

  it("at random ends the talk with words or an answer, and never hangs", async () => {
    const random = randomFrom(7);
    for (let nth = 0; nth < 300; nth++) {
      const talk = against((question) =>
        question.map((byte, at) => (random() < 0.3 && at !== FRAME_AT.COMMAND ? Math.floor(random() * 256) : byte)),
      );
      const end = await talk
        .hello()
        .then((told) => talk.read(told))
        .then(
          (keymap) => compare(finishedPad(), keymap),
          (problem: Error) => problem.message,
        );
      expect(end).toBeTruthy();
    }
  });

  it("that goes away while it is asked is told as gone", async () => {
    const gone: Transport = {
      open: async () => {},
      send: async () => {
        throw new TransportClosed();
      },
      receive: async () => new Uint8Array(),
      close: async () => {},
    };
    await expect(new Conversation(gone).hello()).rejects.toThrow(TransportClosed);
  });
});
