import type { Design } from "../document/schema";
import type { DeviceWatch } from "../engine/device";
import type { LineTrouble } from "../engine/lineTrouble";
import type { PairedDevice } from "../engine/pairedDevice";
import { deviceOf } from "../engine/preparedDevice";
import { HostStandIn } from "../engine/hostText";
import { unlockSwitches } from "../firmware/unlock";
import { UNLOCK_TENTHS } from "../contract/live";
import { type Transport, TransportClosed } from "../loader/transport";
import type { Clock } from "./conversation";

/** Time in which a pressed key is debounced, held and let go of. */
const PRESS_MS = 40;
const REST_MS = 60;

/**
 * A device as if it were plugged in, loaded with a design as it was then: the real runtime on the design's own circuits,
 * with a time that passes only while it is waited for.
 */
export class StandInDevice {
  private readonly host = new HostStandIn();
  private readonly device: PairedDevice;
  private isOpen = false;

  /** @param watch told of all that happens on it */
  constructor(
    private readonly loadedWith: Design,
    watch: DeviceWatch = {},
  ) {
    this.device = deviceOf(loadedWith, {
      ...watch,
      report: (report) => {
        watch.report?.(report);
        this.host.receive(report);
        this.device.hostLocks(this.host.locks);
      },
    });
    this.pass(REST_MS);
  }

  private pass(ms: number) {
    this.device.runUntil(this.device.nowMs + ms);
  }

  /** Its time, for a conversation with it. */
  readonly clock: Clock = {
    now: () => this.device.nowMs,
    pause: async (ms) => this.pass(ms),
  };

  transport(): Transport {
    return {
      open: async () => {
        this.isOpen = true;
      },
      send: async (bytes) => {
        if (!this.isOpen) throw new TransportClosed();
        if (this.device.answer() === null) throw new Error("it takes no live changes");
        if (!this.device.ask(bytes)) throw new Error("the device is busy");
      },
      receive: async (waitMs) => {
        if (!this.isOpen) throw new TransportClosed();
        this.pass(Math.max(1, Math.ceil(waitMs)));
        return this.device.answer() ?? new Uint8Array();
      },
      close: async () => {
        this.isOpen = false;
      },
    };
  }

  /** Holds the two switches that unlock it. @returns false when it has none */
  unlock(): boolean {
    const both = unlockSwitches(this.device.scan, this.loadedWith);
    if (!both) return false;
    for (const id of both) this.device.press(id, true);
    this.pass(UNLOCK_TENTHS * 100 + REST_MS);
    for (const id of both) this.device.press(id, false);
    this.pass(REST_MS);
    return true;
  }

  /** Presses a switch once. @returns what a computer did by that: what it typed, or its deeds in words */
  press(elementId: string): { typed: string; deeds: string[] } {
    const { text, deeds } = this.host;
    const before = deeds.length;
    this.hold(elementId, true);
    this.hold(elementId, false);
    return { typed: this.host.text.slice(text.length), deeds: deeds.slice(before).map(({ deed }) => deed) };
  }

  /** Presses a switch and keeps it so, or lets go of it. */
  hold(elementId: string, held: boolean): void {
    this.device.press(elementId, held);
    this.pass(held ? PRESS_MS : REST_MS);
  }

  /** Moves a wiper and keeps it there: -1 to 1 from where it rests to its ends. @returns whether it is read */
  move(elementId: string, place: number): boolean {
    return this.device.move(elementId, place);
  }

  get nowMs(): number {
    return this.device.nowMs;
  }

  /** The plug is pulled and put into another of its parts. */
  plugInto(part: number): void {
    this.device.plugInto(null);
    this.pass(REST_MS);
    this.device.plugInto(part);
    this.pass(REST_MS);
  }

  /** What happens to the line between its parts. */
  setLine(trouble: LineTrouble): void {
    this.device.setLine(trouble);
  }

  /** Its power goes and comes back. */
  powerCut(): void {
    this.device.powerCut();
    this.pass(REST_MS);
  }
}
