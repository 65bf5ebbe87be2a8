import type { Design } from "@/core/document/schema";
import type { PairedDevice as Device } from "@/core/engine/pairedDevice";
import { partRecorder } from "@/core/engine/partScript";
import { deviceOf } from "@/core/engine/preparedDevice";
import type { FirmwareScript } from "@/core/engine/script";

/** What each of its parts senses, hears and gives away while a device is used. */
export function recordParts(design: Design, play: (device: Device) => void): FirmwareScript[] {
  const recorder = partRecorder(design);
  const device = deviceOf(design, recorder.watch);
  play(device);
  return recorder.end(device.nowMs);
}
