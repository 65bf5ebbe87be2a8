import { converterBits } from "../catalogue/controllers/converter";
import { BATTERY, batteryTrack } from "../derived/batteryValue";
import { derive } from "../derived/derive";
import { type TrackUse, trackUseOf } from "../document/axes";
import type { Design } from "../document/schema";

/** Readings are parts of so much of the supply. */
const WHOLE = 65536;

/** Where a hand can bring the wipers of a design, and what the converter makes of it. */
export class Tracks {
  private readonly uses: TrackUse[];
  private readonly step: number;
  /** Places from -1 to 1, by sensor; of what rests at its end from 0 on. */
  private readonly places: number[];

  constructor(design: Design, sensors: string[]) {
    const { elements, controls, profile } = derive(design);
    this.step = 2 ** (16 - converterBits(profile));
    this.uses = sensors.map((id) => {
      if (id === BATTERY) return batteryTrack(design)!;
      const { controlId, end } = elements.get(id)!;
      return trackUseOf(controls.get(controlId)!, end) ?? { lowest: 0, rest: 0, highest: 100 };
    });
    // A battery is full when nobody says otherwise.
    this.places = sensors.map((id) => (id === BATTERY ? 1 : 0));
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
