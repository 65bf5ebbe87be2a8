/** A way to a device, whatever it is made of: a serial port, reports of an interface, or a stand-in. */
export interface Transport {
  open(): Promise<void>;
  send(bytes: Uint8Array): Promise<void>;
  /** The next bytes that came, as they came; nothing when none came within the time. @throws TransportClosed */
  receive(waitMs: number): Promise<Uint8Array>;
  close(): Promise<void>;
}

/** The other end has gone: unplugged, or it has started something else. */
export class TransportClosed extends Error {
  constructor() {
    super("the board went away");
  }
}
