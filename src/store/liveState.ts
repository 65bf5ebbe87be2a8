import { create } from "zustand";
import type { DeviceKeymap } from "@/core/live/conversation";
import type { Change } from "@/core/live/frames";

/** What goes on with the device. */
export type LiveDoing =
  | { doing: "nothing" }
  | { doing: "choosing" }
  | { doing: "reading" }
  | { doing: "sending"; done: number; of: number }
  /** Waiting for a hand on the device: to unlock it, or to let go of all keys. */
  | { doing: "waiting"; forWhat: "unlocking" | "letting go" };

export interface LiveDevice {
  /** A device, or the stand-in; null while there is none. */
  on: "device" | "stand-in" | null;
  name: string;
  keymap: DeviceKeymap | null;
  doing: LiveDoing;
  /** The last thing that went well or wrong, in words. */
  words: string;
  isTrouble: boolean;
  /** The set that was in effect before the last one was sent. */
  before: Change[] | null;
  /** The part that the stand-in's plug is in. */
  plugged: number;
}

/** No device. */
export const apart: LiveDevice = {
  on: null,
  name: "",
  keymap: null,
  doing: { doing: "nothing" },
  words: "",
  isTrouble: false,
  before: null,
  plugged: 0,
};
export const useLiveDevice = create<LiveDevice>(() => apart);

/** Whether this browser offers HID devices to pages (WebHID API). */
export const hasHidDevices = (): boolean =>
  typeof navigator !== "undefined" && (navigator as { hid?: unknown }).hid !== undefined;
