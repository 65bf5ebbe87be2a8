/** Usages of the consumer page (0x0C) of the USB HID Usage Tables that hosts commonly act on. */
export interface ConsumerUsage {
  usage: number;
  name: string;
}

type Row = [usage: number, name: string];
const rows: Row[] = [
  [0x30, "Power"],
  [0x32, "Sleep"],
  [0x40, "Menu"],
  [0x6f, "Display Brightness Increment"],
  [0x70, "Display Brightness Decrement"],
  [0xb0, "Play"],
  [0xb1, "Pause"],
  [0xb2, "Record"],
  [0xb3, "Fast Forward"],
  [0xb4, "Rewind"],
  [0xb5, "Scan Next Track"],
  [0xb6, "Scan Previous Track"],
  [0xb7, "Stop"],
  [0xb8, "Eject"],
  [0xcd, "Play/Pause"],
  [0xe2, "Mute"],
  [0xe9, "Volume Increment"],
  [0xea, "Volume Decrement"],
  [0x183, "AL Consumer Control Configuration"],
  [0x18a, "AL Email Reader"],
  [0x192, "AL Calculator"],
  [0x194, "AL Local Machine Browser"],
  [0x196, "AL Internet Browser"],
  [0x19e, "AL Terminal Lock/Screensaver"],
  [0x203, "AC Close"],
  [0x207, "AC Save"],
  [0x208, "AC Print"],
  [0x21a, "AC Undo"],
  [0x21b, "AC Copy"],
  [0x21c, "AC Cut"],
  [0x21d, "AC Paste"],
  [0x21f, "AC Find"],
  [0x221, "AC Search"],
  [0x223, "AC Home"],
  [0x224, "AC Back"],
  [0x225, "AC Forward"],
  [0x226, "AC Stop"],
  [0x227, "AC Refresh"],
  [0x22a, "AC Bookmarks"],
  [0x22d, "AC Zoom In"],
  [0x22e, "AC Zoom Out"],
  [0x233, "AC Scroll Up"],
  [0x234, "AC Scroll Down"],
  [0x279, "AC Redo/Repeat"],
];

export const consumerUsages: ConsumerUsage[] = rows.map(([usage, name]) => ({ usage, name }));

const byUsage = new Map(consumerUsages.map((entry) => [entry.usage, entry]));

export const consumerUsageNamed = (usage: number): string =>
  byUsage.get(usage)?.name ?? `consumer usage 0x${usage.toString(16).toUpperCase().padStart(3, "0")}`;
