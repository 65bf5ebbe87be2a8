/**
 * A serial pad port: a latch pulse takes how all buttons stand, and each clock edge brings the next bit; pressed is low. In its entry in
 * the tables comes first what follows behind the last bit (1: high, as of released ones), then the switch of each bit, NONE for one
 * that is always high, or LOW.
 */
export const PLUG = { BITS: 16, LOW: 0xfe } as const;
