import type { LineTrouble } from "./lineTrouble";

/** What carries frames between the parts of a device. */
export interface PartsBetween {
  trouble: LineTrouble;
  /** A part gives away a frame. */
  send(from: number, bytes: Uint8Array, nowMs: number): void;
  /** What has come to a part up to a time. */
  arrived(part: number, untilMs: number): Uint8Array;
  /** What is on the way is lost. */
  cutOff(): void;
  /** Of a bus only: the main part asks a module, a module calls, and which call. */
  ask?(part: number, nowMs: number): void;
  call?(part: number): void;
  calls?(): number;
  setAway?(part: number, isAway: boolean): void;
  readonly told?: { called: number; together: number };
}
