import type { DeviceParts } from "./deviceParts";

/** Readings are parts of so much of the supply. */
const WHOLE = 65536;

/** Where a hand can bring the wipers of a design, and what the converter makes of it. */
export class Tracks {
  private readonly step: number;
  /** Places from -1 to 1, by sensor; of what rests at its end from 0 on. */
  private readonly places: number[];
  private readonly uses: DeviceParts["tracks"]["uses"];

  constructor({ uses, places, bits }: DeviceParts["tracks"]) {
    this.uses = uses;
    this.places = [...places];
    this.step = 2 ** (16 - bits);
  }

  /** @param place -1 to 1 from where it rests to its ends; beyond them nothing can be moved */
  move(sensor: number, place: number): void {
    this.places[sensor] = Math.max(-1, Math.min(1, place));
  }

  placeOf(sensor: number): number {
    return this.places[sensor];
  }

  /** The converter's whole counts, put to the top of sixteen bits. @param noise counts to add, which need not be whole */
  level(sensor: number, noise = 0): number {
    const { lowest, rest, highest } = this.uses[sensor];
    const place = this.places[sensor];
    const percent = place < 0 ? rest + place * (rest - lowest) : rest + place * (highest - rest);
    const counts = WHOLE / this.step;
    const read = Math.round((percent / 100) * (counts - 1) + noise);
    return Math.max(0, Math.min(counts - 1, read)) * this.step;
  }
}
