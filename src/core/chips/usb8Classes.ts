/** Controller classes with the 8-bit USB chip (usb8.ts), apart from its pins: many ask which class it is, few for those. */
const USB8_CLASSES = ["small-5v-18", "chip-8bit-usb-44"] as const;
export type Usb8Class = (typeof USB8_CLASSES)[number];

export const hasUsb8Chip = (profileId: string): profileId is Usb8Class =>
  (USB8_CLASSES as readonly string[]).includes(profileId);
