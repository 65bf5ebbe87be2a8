import type { MusicHeard, SoundingNote } from "@/core/engine/musicHeard";

/** Controllers that what is heard here follows (MIDI 1.0, table III). */
const VOLUME = 7;
const EXPRESSION = 11;
const DAMPER = 64;
const USUAL_VOLUME = 100;
const FULL = 127;
const ON = 64;

/** A pitch that is bent all the way is two semitones off (common practice). */
const BEND_SEMITONES = 2;
const BEND_MOST = 8192;

/** Plain waves stand for sounds: the program chooses among them. */
const WAVES = ["triangle", "sawtooth", "square", "sine"] as const;
const QUIET = 0.12;
const ATTACK_S = 0.005;
const RELEASE_S = 0.08;

interface Voice {
  tone: OscillatorNode;
  level: GainNode;
}

const keyOf = ({ channel, note }: SoundingNote) => `${channel} ${note}`;

/** Equal temperament, A4 at 440 Hz (ISO 16). */
export const frequencyOf = (note: number, bend = 0): number =>
  440 * 2 ** ((note - 69 + (BEND_SEMITONES * bend) / BEND_MOST) / 12);

/** How loud a note is: velocity, volume and expression together, each of 127, squared as ears want it (common practice). */
export function loudness({ velocity, channel }: SoundingNote, { channels }: MusicHeard): number {
  const controllers = channels[channel]?.controllers ?? {};
  const parts = [velocity, controllers[VOLUME] ?? USUAL_VOLUME, controllers[EXPRESSION] ?? FULL];
  return parts.reduce((product, value) => product * (value / FULL) ** 2, QUIET);
}

/** Plays what the computer hears, by plain waves. */
export class Hearing {
  private readonly context = new AudioContext();
  private readonly voices = new Map<string, Voice>();

  follow(heard: MusicHeard): void {
    const wanted = new Map(heard.sounding.map((one) => [keyOf(one), one]));
    for (const [key, voice] of this.voices) if (!wanted.has(key) && !this.isHeld(key, heard)) this.end(key, voice);
    for (const [key, one] of wanted) this.set(this.voices.get(key) ?? this.begin(key, one, heard), one, heard);
  }

  private isHeld(key: string, { channels }: MusicHeard) {
    return (channels[Number(key.split(" ")[0])]?.controllers[DAMPER] ?? 0) >= ON;
  }

  private begin(key: string, { channel }: SoundingNote, { channels }: MusicHeard): Voice {
    const tone = new OscillatorNode(this.context, { type: WAVES[(channels[channel]?.program ?? 0) % WAVES.length] });
    const level = new GainNode(this.context, { gain: 0 });
    tone.connect(level).connect(this.context.destination);
    tone.start();
    const voice = { tone, level };
    this.voices.set(key, voice);
    return voice;
  }

  private set({ tone, level }: Voice, one: SoundingNote, heard: MusicHeard) {
    const now = this.context.currentTime;
    const bend = heard.channels[one.channel]?.bend ?? 0;
    tone.frequency.setTargetAtTime(frequencyOf(one.note, bend), now, 0.001);
    level.gain.setTargetAtTime(loudness(one, heard), now, ATTACK_S);
  }

  private end(key: string, { tone, level }: Voice) {
    const now = this.context.currentTime;
    level.gain.cancelScheduledValues(now);
    level.gain.setTargetAtTime(0, now, RELEASE_S / 4);
    tone.stop(now + RELEASE_S);
    this.voices.delete(key);
  }

  close(): void {
    void this.context.close();
  }
}
