/** Types of descriptors (USB 2.0, table 9-5; HID 1.11, section 7.1). */
export const DESCRIPTOR = {
  DEVICE: 1,
  CONFIGURATION: 2,
  STRING: 3,
  INTERFACE: 4,
  ENDPOINT: 5,
  /** Interfaces that belong together (its engineering change notice). */
  ASSOCIATION: 0x0b,
  HID: 0x21,
  REPORT: 0x22,
} as const;
