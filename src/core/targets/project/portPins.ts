import type { BlockPins } from "../../image/boardLines";

/** Where the level of a pin is found: all pins share the first place, and the mask is the pin's number. */
const ALL_PINS = 0;

/** Pins of a controller that is not known closely: numbered from 1 in the order in which they are asked for. */
export class PortPins implements BlockPins {
  /** Pads by their number, beginning with 1. */
  readonly pads: string[] = [];

  private numberOf(pad: string): number {
    if (!this.pads.includes(pad)) this.pads.push(pad);
    return this.pads.indexOf(pad) + 1;
  }

  pin(pad: string): [number, number] {
    return [this.numberOf(pad), 0];
  }

  level([number]: [number, number]) {
    return { at: ALL_PINS, mask: number };
  }

  channel(pad: string): number {
    return this.numberOf(pad);
  }
}
