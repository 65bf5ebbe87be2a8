import { type Transport, TransportClosed } from "@/core/loader/transport";

/** What is used of the browser's serial ports (Web Serial API); not every browser has them. */
export interface SerialPortLike {
  readable: ReadableStream<Uint8Array> | null;
  writable: WritableStream<Uint8Array> | null;
  open(options: { baudRate: number }): Promise<void>;
  close(): Promise<void>;
}
interface SerialLike {
  requestPort(): Promise<SerialPortLike>;
}

const serialOf = (): SerialLike | undefined =>
  typeof navigator === "undefined" ? undefined : (navigator as { serial?: SerialLike }).serial;

export const hasSerialPorts = (): boolean => serialOf() !== undefined;

/** Asks the person for a port. @returns null when none was chosen */
export async function choosePort(): Promise<SerialPortLike | null> {
  try {
    return (await serialOf()?.requestPort()) ?? null;
  } catch (problem) {
    // The browser's dialog was closed without a choice.
    if (problem instanceof DOMException && problem.name === "NotFoundError") return null;
    throw problem;
  }
}

/** The loader over USB takes any speed; this is the usual one. */
const BAUD = 57600;

/** A serial port as a transport. What it reads waits until it is asked for. */
export function serialTransport(port: SerialPortLike): Transport {
  let reader: ReadableStreamDefaultReader<Uint8Array> | null = null;
  let coming: Promise<ReadableStreamReadResult<Uint8Array>> | null = null;

  /** A read that came to nothing goes on: the next one takes it up. */
  async function readWithin(waitMs: number): Promise<ReadableStreamReadResult<Uint8Array> | "nothing"> {
    coming ??= reader!.read();
    let timer: ReturnType<typeof setTimeout> | undefined;
    const time = new Promise<"nothing">((resolve) => (timer = setTimeout(() => resolve("nothing"), waitMs)));
    try {
      return await Promise.race([coming, time]);
    } finally {
      clearTimeout(timer);
    }
  }

  return {
    async open() {
      await port.open({ baudRate: BAUD });
      reader = port.readable?.getReader() ?? null;
    },
    async send(bytes) {
      if (!port.writable) throw new TransportClosed();
      const writer = port.writable.getWriter();
      try {
        await writer.write(bytes);
      } catch {
        throw new TransportClosed();
      } finally {
        writer.releaseLock();
      }
    },
    async receive(waitMs) {
      if (!reader) throw new TransportClosed();
      const came = await readWithin(waitMs).catch(() => {
        throw new TransportClosed();
      });
      if (came === "nothing") return new Uint8Array();
      coming = null;
      if (came.done) throw new TransportClosed();
      return came.value;
    },
    async close() {
      await reader?.cancel().catch(() => {});
      reader?.releaseLock();
      reader = null;
      await port.close().catch(() => {});
    },
  };
}
