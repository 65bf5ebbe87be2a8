import { knobs } from "./knobs";
import type { Part } from "./part";
import { signs } from "./signs";
import { switches } from "./switches";

/** The parts that the catalogue ships; a design can bring its own. */
export const partCatalogue: Part[] = [...switches, ...knobs, ...signs];
