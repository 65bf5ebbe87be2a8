/** A usage page that belongs to nobody (USB HID Usage Tables, table "Usage Page Summary": FF00 to FFFF). */
export const LIVE_COLLECTION = [0xff00, 0x01] as const;
