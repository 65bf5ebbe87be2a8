import { beforeEach, describe, expect, it, vi } from "vitest";
import { StandInLoader } from "@/core/loader/standInLoader";
import { type Loading, forgetLoading, loadBoard, loadStandIn, stopLoading, useLoading } from "./loading";
import type { SerialPortLike } from "./serialTransport";

const parts = [{ at: 0, bytes: Array.from({ length: 700 }, (_, nth) => nth & 0xff) }];
const now = (): Loading => useLoading.getState().loading;

/** A port of the browser's with a stand-in at its other end. */
function portTo(loader: StandInLoader, goesAfter = Infinity): SerialPortLike {
  let out: ReadableStreamDefaultController<Uint8Array>;
  let heard = 0;
  return {
    readable: null,
    writable: null,
    async open({ baudRate }) {
      expect(baudRate).toBe(57600);
      this.readable = new ReadableStream({ start: (controller) => void (out = controller) });
      this.writable = new WritableStream({
        write(bytes) {
          heard += bytes.length;
          if (heard > goesAfter) return out.error(new DOMException("The device has been lost.", "NetworkError"));
          const answer = loader.hear(bytes);
          // One byte at a time, as a port may hand them over.
          for (const byte of answer) out.enqueue(Uint8Array.of(byte));
        },
      });
    },
    async close() {},
  };
}

const withPort = (port: SerialPortLike | DOMException) =>
  vi.stubGlobal("navigator", {
    serial: {
      requestPort: async () => {
        if (port instanceof DOMException) throw port;
        return port;
      },
    },
  });

beforeEach(() => {
  forgetLoading();
  vi.unstubAllGlobals();
});

describe("loading a board over a port of the browser's", () => {
  it("writes, checks and says how much", async () => {
    const loader = new StandInLoader();
    withPort(portTo(loader));
    await loadBoard(parts);
    expect(now()).toEqual({ state: "done", on: "board", bytes: 768 });
    expect([...loader.flash.slice(0, 700)]).toEqual(parts[0].bytes);
  });

  it("says so when the board goes away, and how far it was", async () => {
    withPort(portTo(new StandInLoader(), 500));
    await loadBoard(parts);
    expect(now()).toEqual({
      state: "failed",
      words: expect.stringMatching(/^The board went away while writing after 50 %\. A half-written device stays off/),
    });
  });

  it("says so when nothing is chosen, or the browser refuses", async () => {
    withPort(new DOMException("No port selected by the user.", "NotFoundError"));
    await loadBoard(parts);
    expect(now()).toEqual({ state: "failed", words: "No port was chosen; nothing was written." });
    withPort(new DOMException("Access denied.", "SecurityError"));
    await loadBoard(parts);
    expect(now()).toMatchObject({ state: "failed", words: expect.stringContaining("The file can be saved instead") });
  });

  it("says so when a port cannot be opened", async () => {
    const port = portTo(new StandInLoader());
    port.open = async () => {
      throw new DOMException("Failed to open serial port.", "NetworkError");
    };
    withPort(port);
    await loadBoard(parts);
    expect(now()).toEqual({
      state: "failed",
      words: expect.stringMatching(
        /^The port could not be opened \(Failed to open serial port\.\)\. Close whatever else/,
      ),
    });
  });

  it("says what another chip is, in the loader's words", async () => {
    withPort(portTo(new StandInLoader({ signature: [1, 2, 3] })));
    await loadBoard(parts);
    expect(now()).toMatchObject({
      state: "failed",
      words: expect.stringMatching(/^Another chip answers \(01 02 03\)/),
    });
  });
});

describe("loading the stand-in", () => {
  it("comes to its end", async () => {
    await loadStandIn(parts);
    expect(now()).toEqual({ state: "done", on: "stand-in", bytes: 768 });
  });

  it("can be stopped, which says what that means", async () => {
    const loading = loadStandIn(parts);
    await vi.waitFor(() => expect(now()).toMatchObject({ state: "running", progress: { doing: "writing" } }));
    stopLoading();
    await loading;
    expect(now()).toMatchObject({ state: "failed", words: expect.stringMatching(/^Stopped while (writing|checking)/) });
  });

  it("is not told any more when the panel was closed meanwhile", async () => {
    const told: string[] = [];
    const unsubscribe = useLoading.subscribe(({ loading }) => told.push(loading.state));
    const loading = loadStandIn(parts);
    forgetLoading();
    await loading;
    unsubscribe();
    expect(told).toEqual(["idle"]);
  });

  it("is not loaded twice at a time: the later one is told", async () => {
    const [first, second] = [loadStandIn(parts), loadStandIn(parts)];
    await Promise.all([first, second]);
    expect(now()).toEqual({ state: "done", on: "stand-in", bytes: 768 });
  });
});
