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
const OUTSIDE = { jack: 1, type: 2 } as const;
const INSIDE = { jack: 2, type: 1 } as const;

/** Interfaces of one function of the audio class: control, which has no endpoint, and streaming. */
export const MUSIC_INTERFACES = 2;

const item = (name: string, meaning: string, bytes: number[], depth = 1): DescriptorItem => ({
  name,
  meaning,
  bytes,
  depth,
});

/** The streaming interface's own descriptors: one way out of the device, from the keys to the computer. */
function streaming(endpoint: number, packetBytes: number): DescriptorItem[] {
  const behind = [
    item("MIDI In Jack (External, 1)", "what is played comes from outside", [
      ...[6, CLASS_INTERFACE, 2, OUTSIDE.type, OUTSIDE.jack, 0],
    ]),
    item("MIDI Out Jack (Embedded, 2)", "and goes on to the computer: fed by jack 1", [
      ...[9, CLASS_INTERFACE, 3, INSIDE.type, INSIDE.jack],
      ...[1, OUTSIDE.jack, 1, 0],
    ]),
    item(`Endpoint (${endpoint}, In, Bulk)`, `up to ${packetBytes} bytes at once, four an event`, [
      ...[9, DESCRIPTOR.ENDPOINT, IN | endpoint, BULK, packetBytes, 0],
      ...[0, 0, 0],
    ]),
    item("MIDI Streaming Endpoint (2)", "which carries jack 2", [5, CLASS_ENDPOINT, 1, 1, INSIDE.jack]),
  ];
  const all = behind.reduce((sum, { bytes }) => sum + bytes.length, 7);
  const head = item("MIDI Streaming Header", `${all} bytes belong to it`, [7, CLASS_INTERFACE, 1, ...VERSION, all, 0]);
  return [head, ...behind];
}

/**
 * Both interfaces of a device that plays music, as the USB Device Class Definition for MIDI Devices 1.0 has them in its appendix B,
 * of which the way from the computer into the device is left out.
 * @param first number of the control interface; streaming is the next
 */
export const musicItems = (first: number, endpoint: number, packetBytes: number): DescriptorItem[] => [
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
    [9, DESCRIPTOR.INTERFACE, first + 1, 0, 1, AUDIO, MIDI_STREAMING, 0, 0],
    0,
  ),
  ...streaming(endpoint, packetBytes),
];
