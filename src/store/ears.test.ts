import { describe, expect, it } from "vitest";
import { hearPads } from "./gamepadEar";
import { hearMusic } from "./musicEar";

/** Frames that come when the test says so. */
function frames() {
  const waiting = new Map<number, () => void>();
  let last = 0;
  return {
    next: (act: () => void) => {
      waiting.set((last += 1), act);
      return last;
    },
    forget: (frame: number) => void waiting.delete(frame),
    pass: () => [...waiting].forEach(([frame, act]) => (waiting.delete(frame), act())),
    get count() {
      return waiting.size;
    },
  };
}

const pad = (down: number[], axes: number[] = [], connected = true) => ({
  buttons: Array.from({ length: 4 }, (_, nth) => ({ pressed: down.includes(nth), touched: false, value: 0 })),
  axes,
  connected,
});

describe("game pads", () => {
  it("tell each change of a button once, of every pad by itself, and axes when they move, until nobody listens", () => {
    let now: (ReturnType<typeof pad> | null)[] = [null, pad([]), pad([])];
    const told: string[] = [];
    const clock = frames();
    const stop = hearPads(
      { getGamepads: () => now },
      { button: (index, isDown) => told.push(`${index} ${isDown}`), axes: (values) => told.push(values.join(",")) },
      clock.next,
      clock.forget,
    );
    clock.pass();
    now = [null, pad([2]), pad([])];
    clock.pass();
    clock.pass();
    now = [null, pad([2], [0.5, -1]), pad([2])];
    clock.pass();
    now = [null, pad([], [0.5, -1]), pad([2], [], false)];
    clock.pass();
    expect(told).toEqual(["2 true", "0.5,-1", "2 true", "2 false"]);
    stop();
    expect(clock.count).toBe(0);
  });
});

describe("instruments", () => {
  it("tell their messages until nobody listens", async () => {
    const inputs = [{ onmidimessage: null }, { onmidimessage: null }] as {
      onmidimessage: ((event: { data: Uint8Array | null }) => void) | null;
    }[];
    const told: number[][] = [];
    const stop = await hearMusic({ requestMIDIAccess: async () => ({ inputs }) }, (message) => told.push(message));
    inputs[1].onmidimessage!({ data: Uint8Array.of(0x90, 60, 96) });
    inputs[0].onmidimessage!({ data: null });
    stop();
    expect(told).toEqual([[0x90, 60, 96]]);
    expect(inputs.every(({ onmidimessage }) => onmidimessage === null)).toBe(true);
  });

  it("that the person does not allow are refused", async () => {
    const port = { requestMIDIAccess: () => Promise.reject(new DOMException("no", "SecurityError")) };
    await expect(hearMusic(port, () => {})).rejects.toThrow("no");
  });
});
