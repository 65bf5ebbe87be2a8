/** A note that is heard now. */
export interface SoundingNote {
  channel: number;
  note: number;
  velocity: number;
}

/** What a channel is set to. */
export interface MusicChannel {
  program: number;
  /** -8192 to 8191. */
  bend: number;
  /** Values of controllers that were told, by their number. */
  controllers: Record<number, number>;
}

/** What a computer that plays the device's notes knows. */
export interface MusicHeard {
  sounding: SoundingNote[];
  channels: Record<number, MusicChannel>;
  /** The last events in words, the newest last. */
  events: { atMs: number; words: string }[];
}

export const silence: MusicHeard = { sounding: [], channels: {}, events: [] };
