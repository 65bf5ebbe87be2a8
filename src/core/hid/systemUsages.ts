/** Deeds of the whole computer, in the order of their bits in the report. */
export const systemDeeds = ["power-down", "sleep", "wake-up"] as const;
export type SystemDeed = (typeof systemDeeds)[number];

/** Usages of the generic desktop page, system controls (HID Usage Tables, section "Generic Desktop Page": 81 to 83). */
export const SYSTEM_USAGES: Record<SystemDeed, { usage: number; name: string }> = {
  "power-down": { usage: 0x81, name: "System Power Down" },
  sleep: { usage: 0x82, name: "System Sleep" },
  "wake-up": { usage: 0x83, name: "System Wake Up" },
};
