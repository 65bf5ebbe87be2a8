/** What an input does: the first byte of an entry of the action table. */
export const ACTION = {
  PASS: 0,
  NOTHING: 1,
  KEYBOARD: 2,
  CONSUMER: 3,
  HOLD_LAYER: 4,
  STAY_LAYER: 5,
} as const;
