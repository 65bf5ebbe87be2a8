import {
  FRAME_AT,
  KEPT_BYTES,
  SEAL,
  SLOT_AT,
  SLOT_BYTES,
  STATUS,
  UNLOCK_TENTHS,
  KEPT_SLOTS,
} from "@/core/contract/live";
import type { PairedDevice } from "@/core/engine/pairedDevice";
import { unlockSwitches } from "@/core/firmware/unlock";
import { type Change, frameOf, helloOf, helloQuestion, inOrder, writeQuestions } from "@/core/live/frames";
import type { Design } from "@/core/document/schema";
import { toHex } from "@/core/hex";

/** The slowest question is one that writes 54 bytes. */
const PATIENCE_MS = 600;

/** A question to the part that the plug is in. @returns its answer, or null where no computer is there */
function asked(device: PairedDevice, question: Parameters<typeof frameOf>[0]): Uint8Array | null {
  if (!device.ask(frameOf(question, 7))) return null;
  for (let ms = 0; ms < PATIENCE_MS; ms++) {
    device.runUntil(device.nowMs + 1);
    const answer = device.answer();
    if (answer && answer[FRAME_AT.STATUS] !== STATUS.WORKING) return answer.slice();
  }
  throw new Error("it does not answer");
}

/** The part that the plug is in is unlocked. */
export function unlock(device: PairedDevice, design: Design): void {
  const both = unlockSwitches(device.scan, design)!;
  for (const id of both) device.press(id, true);
  device.runUntil(device.nowMs + UNLOCK_TENTHS * 100 + 60);
  for (const id of both) device.press(id, false);
  device.runUntil(device.nowMs + 60);
}

/** It is told a set of changes. @returns the statuses that it answers */
export function tellSet(device: PairedDevice, changes: Change[]): (number | null)[] {
  const hello = asked(device, helloQuestion);
  if (!hello) return [null];
  return writeQuestions(inOrder(changes), helloOf(hello)).map(
    (question) => asked(device, question)?.[FRAME_AT.STATUS] ?? null,
  );
}

/** What each part keeps: its sealed slots, the newest first, by their bytes from the sequence on. */
export function slotsOf(device: PairedDevice, parts = 2): string[][] {
  const { kept } = device;
  return Array.from({ length: parts }, (_, part) => {
    const slots = Array.from({ length: KEPT_SLOTS }, (__, nth) => {
      const slot = kept.subarray(part * KEPT_BYTES + nth * SLOT_BYTES.KEYMAP);
      const length = SLOT_AT.CHANGES + 6 * slot[SLOT_AT.COUNT];
      const sequence = slot[SLOT_AT.SEQUENCE] | (slot[SLOT_AT.SEQUENCE + 1] << 8);
      return { isSealed: slot[SLOT_AT.SEAL] === SEAL, sequence, bytes: toHex(slot.slice(SLOT_AT.SEQUENCE, length)) };
    });
    return slots
      .filter(({ isSealed }) => isSealed)
      .sort((a, b) => b.sequence - a.sequence)
      .map(({ bytes }) => bytes);
  });
}
