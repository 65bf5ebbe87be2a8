/**
 * Of the report of music. EVENTS: how many wait to be sent; NOTES: how many sound at once; IN_REPORT: so many go into one packet, of
 * four bytes each (USB Device Class Definition for MIDI Devices 1.0, section 4).
 */
export const MUSIC = { EVENTS: 32, NOTES: 16, CHANNELS: 16, IN_REPORT: 8, PACKET_BYTES: 4 } as const;
/** Bytes that leave a socket for music in a millisecond: 10 bits each, 31,250 of them a second (MIDI 1.0, hardware). */
export const DIN = { BYTES_A_MS: 3 } as const;
export const MUSIC_REPORT_BYTES = MUSIC.IN_REPORT * MUSIC.PACKET_BYTES;

/** What the runtime keeps: three bytes of each event that waits, four of each note that sounds. */
export const musicBytes = 3 * MUSIC.EVENTS + 4 * MUSIC.NOTES;

/** What it keeps for a socket. */
export const dinBytes = 3 * MUSIC.EVENTS;

/** Status bytes of channel messages, the channel left out (MIDI 1.0, table I). */
export const MUSIC_STATUS = { OFF: 0x80, ON: 0x90, CONTROL: 0xb0, PROGRAM: 0xc0, BEND: 0xe0 } as const;

/** Velocity of a note off where none is measured; the controller that lets go of all notes (MIDI 1.0, tables II and IV). */
export const MUSIC_USUAL = { OFF_VELOCITY: 64, ALL_OFF: 123, FINE: 32 } as const;

/**
 * In the word of an axis that speaks music: its controller, and above it BEND, that it bends the pitch, and FINE, that it tells 14
 * bits instead of 7.
 */
export const MUSIC_AXIS = { BEND: 0x80, FINE: 0x40 } as const;
