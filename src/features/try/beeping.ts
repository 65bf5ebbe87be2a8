/** A tone of one of the device's sounders. */
export interface SoundingTone {
  id: string;
  hz: number;
}

const QUIET = 0.04;
const EDGE_S = 0.002;

/** Plays what the device's own sounders sound: square waves, as they have. */
export class Beeping {
  private readonly context = new AudioContext();
  private readonly voices = new Map<string, { wave: OscillatorNode; level: GainNode }>();

  /** Begins what sounds now and did not, and ends what sounds no more. */
  follow(sounding: SoundingTone[]): void {
    const wanted = new Set(sounding.map(({ id }) => id));
    for (const id of this.voices.keys()) if (!wanted.has(id)) this.end(id);
    for (const one of sounding) if (!this.voices.has(one.id)) this.begin(one);
  }

  private begin({ id, hz }: SoundingTone) {
    const wave = new OscillatorNode(this.context, { type: "square", frequency: hz });
    const level = new GainNode(this.context, { gain: QUIET });
    wave.connect(level).connect(this.context.destination);
    wave.start();
    this.voices.set(id, { wave, level });
  }

  private end(id: string) {
    const { wave, level } = this.voices.get(id)!;
    level.gain.setTargetAtTime(0, this.context.currentTime, EDGE_S);
    wave.stop(this.context.currentTime + 5 * EDGE_S);
    this.voices.delete(id);
  }

  close(): void {
    void this.context.close();
  }
}
