import type { InterfaceKind } from "./interfaceKinds";
import type { ScreenPlace } from "./pointerPlace";

/** What hosts commonly take the first buttons of a pointer for (common practice). */
export const POINTER_BUTTONS = ["primary", "secondary", "middle", "back", "forward"] as const;

/** Bytes of the pointer's report after the buttons: how far each counts up and down. */
const AXES = [
  ["right", "left"],
  ["down", "up"],
  ["wheel up", "wheel down"],
  ["wheel right", "wheel left"],
] as const;

const signed = (byte: number) => (byte > 127 ? byte - 256 : byte);

/** What a pointer's report says that it moved: right and down, then the wheel's steps up and to the right. */
export const movementOf = (bytes: Uint8Array): number[] => AXES.map((_, nth) => signed(bytes[nth + 1]));

/** "12 right, 3 up", "wheel down 2"; "" for nothing. */
export const movementWords = (movement: number[]): string =>
  movement
    .flatMap((counts, nth) => {
      if (counts === 0) return [];
      const way = AXES[nth][counts > 0 ? 0 : 1];
      return [nth < 2 ? `${Math.abs(counts)} ${way}` : `${way} ${Math.abs(counts)}`];
    })
    .join(", ");

/** Whether a report only moves the pointer: a computer that sleeps is not called by it, and does not hear of it. */
export const isMovement = (kind: InterfaceKind, bytes: Uint8Array): boolean =>
  kind === "place" || (kind === "pointer" && bytes[0] === 0);

/** Where a pointer stands: counts right and down of where it was at the start, its buttons, and steps of its wheel up and right. */
export interface Pointing {
  pointer: [right: number, down: number];
  buttons: number;
  wheel: [up: number, right: number];
  /** Where on the screen it was put last; null while it never was. */
  place: ScreenPlace | null;
}
export const stillPointer: Pointing = { pointer: [0, 0], buttons: 0, wheel: [0, 0], place: null };
