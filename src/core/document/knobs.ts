import { MUSIC } from "../contract/music";
import { controllerName } from "../hid/musicWords";
import { whole, z } from "../schema";

/** What is told of a knob's felt steps. */
export const knobSchema = z.strictObject({
  /** So many felt steps are one that is told. */
  felt: whole(1, 8),
  /** How often that one is told. */
  told: whole(1, 8),
  /** Within how many ms after the one before it is told more often; 0: never. */
  fastMs: whole(0, 250),
  /** How often at most, when one follows at once. */
  fastTold: whole(1, 20),
  /** Its value, which lamps show, counts what is told from 0 up to here. */
  top: whole(0, 255),
  /** Its value is told as this controller of music; channels count from 0. */
  controller: z.optional(z.strictObject({ channel: whole(0, MUSIC.CHANNELS - 1), controller: whole(0, 119) })),
});
export type KnobSettings = z.infer<typeof knobSchema>;

/** Each felt step is told once; a turn of a common encoder is the whole of its value. */
export const usualKnob: KnobSettings = { felt: 1, told: 1, fastMs: 0, fastTold: 1, top: 24 };

export const isUsualKnob = (knob: KnobSettings): boolean =>
  knob.controller === undefined &&
  (Object.keys(usualKnob) as (keyof KnobSettings)[]).every((field) => knob[field] === usualKnob[field]);

/** "2 felt steps told 3 times, within 60 ms up to 4 times, value to 24". */
export const knobWords = ({ felt, told, fastMs, fastTold, top, controller }: KnobSettings): string =>
  [
    `${felt === 1 ? "a felt step" : `${felt} felt steps`} told ${told === 1 ? "once" : `${told} times`}`,
    ...(fastMs > 0 ? [`within ${fastMs} ms up to ${fastTold} times`] : []),
    `value to ${top}`,
    ...(controller ? [`told as ${controllerName(controller.controller)} on channel ${controller.channel + 1}`] : []),
  ].join(", ");

/** By the element that is turned. */
export const knobOf = (knobs: Record<string, KnobSettings> | undefined, elementId: string): KnobSettings =>
  knobs && Object.hasOwn(knobs, elementId) ? knobs[elementId] : usualKnob;
