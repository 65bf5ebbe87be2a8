/**
 * What an on-board interpreter calls the pins behind a class's pads (all from memory, typical of the class): some go by
 * the names on the board, some by the chip's own numbers. Where nothing is known the pad's name stands as it is.
 */
const namesOf: Record<string, (number: number) => string> = {
  "dual-core-3v3-26": (number) => `GP${number}`,
  "thumb-3v3-11": (number) => `D${number}`,
  "small-dual-3v3-18": (number) => `GPIO${number}`,
  /** Ports of 32 pins each. */
  "wireless-3v3-20": (number) => `P${number >> 5}_${String(number & 31).padStart(2, "0")}`,
};

/** An interpreter's name for a pad. @param profileId the controller class @param pad its name on the mat, like "P4" */
export function interpreterPin(profileId: string, pad: string): string {
  const number = /^P(\d+)$/.exec(pad)?.[1];
  return number !== undefined && Object.hasOwn(namesOf, profileId) ? namesOf[profileId](Number(number)) : pad;
}

/** Whether the names of a class are known; else the person compares them with the board's own list. */
export const hasInterpreterPins = (profileId: string): boolean => Object.hasOwn(namesOf, profileId);
