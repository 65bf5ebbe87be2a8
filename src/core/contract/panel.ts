/** What the computer tells a panel: flags, a bit each, then values of a byte. */
export const PANEL = { FLAGS: 64, VALUES: 8, VALUES_AT: 8, BYTES: 16 } as const;
