import { listed } from "../finding";

const NAMED = 5;

/** The first few names, and how many more there are. */
export const some = (names: string[]): string =>
  listed([...names.slice(0, NAMED), ...(names.length > NAMED ? [`${names.length - NAMED} more`] : [])]);
