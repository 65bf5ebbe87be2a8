/**
 * In an entry of the sensors. Readings are parts of 65536 of the supply, places of an axis 0 to 4095 on each side of where it rests.
 * SMOOTH: each reading counts by one part in 2^n. TURNED: 1 when the other side is more than 0. TWIN: the sensor whose dead zone is one
 * with its own, or NONE. STILL: readings within so much change nothing. CENTRE: where it rests. BELOW, ABOVE: places a reading there,
 * times 65536. DEAD: places around rest that are none, DEAD_FACTOR what stretches the others, times 4096. CURVE: its number, or NONE.
 * FIRST_INPUT, SECOND_INPUT: what is pressed beyond KEY_ON, until it is below KEY_OFF, on either side; or NONE.
 */
export const SENSOR_AT = {
  SMOOTH: 0,
  TURNED: 1,
  TWIN: 2,
  CURVE: 3,
  STILL: 4,
  CENTRE: 6,
  BELOW: 8,
  ABOVE: 10,
  DEAD: 12,
  DEAD_FACTOR: 14,
  FIRST_INPUT: 16,
  SECOND_INPUT: 17,
  KEY_ON: 18,
  KEY_OFF: 20,
  /** 1: it rests in the middle, so that its value, which lamps show, is halfway there. */
  BOTH_SIDES: 22,
} as const;

/** The farthest place of an axis from where it rests; and of a curve, how many eighths its list has. */
export const AXIS_MOST = 4095;
export const CURVE_POINTS = 9;

/** What an axis does on a layer. Speeds are as those of the pointer (POINTER), of a wheel in steps. */
export const AXIS_DO = { PASS: 0, NOTHING: 1, POINTER: 2, WHEEL: 3, PAD: 4, MUSIC: 5, PLACE: 6 } as const;
/** In an entry of these; of what is moved 0 is to the right and 1 down, of a wheel 1 is up, of music it is the channel, of a place on the screen 0 is across. */
export const AXIS_USE_AT = { DOES: 0, WHICH: 1, SPEED: 2 } as const;
