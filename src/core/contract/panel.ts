/** What the computer tells a panel: flags, a bit each, then values of a byte. */
export const PANEL = { FLAGS: 64, VALUES: 8, VALUES_AT: 8, BYTES: 16 } as const;

/** What tells it beside: lines of text over a serial port, and notes on a channel, counted from 1; 0 for none. */
export const LISTENS_TO = { LINES: 0x80, CHANNEL: 0x1f } as const;
