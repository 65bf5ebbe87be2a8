import { DESCRIPTOR } from "./descriptorTypes";
import type { DescriptorItem } from "./descriptorItem";

const AUDIO = 1;
const AUDIO_CONTROL = 1;
const MIDI_STREAMING = 3;
const CLASS_INTERFACE = 0x24;
const CLASS_ENDPOINT = 0x25;
const BULK = 2;
const IN = 0x80;
const VERSION = [0x00, 0x01];
const EXTERNAL = 2;
const EMBEDDED = 1;
/** From the keys to the computer, and, where it listens, from the computer to the lamps. */
const FROM_KEYS = { outside: 1, inside: 2 } as const;
const TO_LAMPS = { inside: 3, outside: 4 } as const;

/** Interfaces of one function of the audio class: control, which has no endpoint, and streaming. */
export const MUSIC_INTERFACES = 2;

const item = (name: string, meaning: string, bytes: number[], depth = 1): DescriptorItem => ({
  name,
  meaning,
  bytes,
  depth,
});

const jackIn = (words: string, type: number, jack: number, meaning: string) =>
  item(`MIDI In Jack (${words}, ${jack})`, meaning, [6, CLASS_INTERFACE, 2, type, jack, 0]);
const jackOut = (words: string, type: number, jack: number, from: number, meaning: string) =>
  item(`MIDI Out Jack (${words}, ${jack})`, meaning, [9, CLASS_INTERFACE, 3, type, jack, 1, from, 1, 0]);

/** An endpoint, with the jack that it carries behind it. */
const carrying = (number: number, isIn: boolean, bytes: number, jack: number) => [
  item(`Endpoint (${number}, ${isIn ? "In" : "Out"}, Bulk)`, `up to ${bytes} bytes at once, four an event`, [
    9,
    DESCRIPTOR.ENDPOINT,
    isIn ? IN | number : number,
    BULK,
    bytes,
    0,
    0,
    0,
    0,
  ]),
  item(`MIDI Streaming Endpoint (${jack})`, `which carries jack ${jack}`, [5, CLASS_ENDPOINT, 1, 1, jack]),
];

/** The streaming interface's own descriptors: a way out of the device and, where it listens, one into it. */
function streaming(endpoint: number, packetBytes: number, listensOn: number | null): DescriptorItem[] {
  const listens = listensOn !== null;
  const behind = [
    jackIn("External", EXTERNAL, FROM_KEYS.outside, "what is played comes from outside"),
    jackOut("Embedded", EMBEDDED, FROM_KEYS.inside, FROM_KEYS.outside, "and goes on to the computer: fed by jack 1"),
    ...(listens
      ? [
          jackIn("Embedded", EMBEDDED, TO_LAMPS.inside, "what the computer plays comes in"),
          jackOut("External", EXTERNAL, TO_LAMPS.outside, TO_LAMPS.inside, "and goes on to the lamps: fed by jack 3"),
        ]
      : []),
    ...carrying(endpoint, true, packetBytes, FROM_KEYS.inside),
    ...(listens ? carrying(listensOn, false, packetBytes, TO_LAMPS.inside) : []),
  ];
  const all = behind.reduce((sum, { bytes }) => sum + bytes.length, 7);
  const head = item("MIDI Streaming Header", `${all} bytes belong to it`, [7, CLASS_INTERFACE, 1, ...VERSION, all, 0]);
  return [head, ...behind];
}

/**
 * Both interfaces of a device that plays music, as the USB Device Class Definition for MIDI Devices 1.0 has them in its appendix B;
 * the way from the computer into the device is left out where it does not listen.
 * @param first number of the control interface; streaming is the next
 * @param listensOn the endpoint on which the computer plays to it
 */
export const musicItems = (
  first: number,
  endpoint: number,
  packetBytes: number,
  listensOn: number | null = null,
): DescriptorItem[] => [
  item(
    `Interface (${first}, Audio Control)`,
    "music begins; this one has no endpoint",
    [9, DESCRIPTOR.INTERFACE, first, 0, 0, AUDIO, AUDIO_CONTROL, 0, 0],
    0,
  ),
  item("Audio Control Header", `it controls interface ${first + 1} only`, [
    ...[9, CLASS_INTERFACE, 1, ...VERSION, 9, 0, 1, first + 1],
  ]),
  item(
    `Interface (${first + 1}, MIDI Streaming)`,
    "this interface plays music",
    [9, DESCRIPTOR.INTERFACE, first + 1, 0, listensOn === null ? 1 : 2, AUDIO, MIDI_STREAMING, 0, 0],
    0,
  ),
  ...streaming(endpoint, packetBytes, listensOn),
];
