import { migrate } from "./migrations";
import type { Result } from "./problem";
import { readToday } from "./readToday";
import { DESIGN_FORMAT, type Design } from "./schema";

const isDesign = (json: unknown): json is Record<string, unknown> =>
  typeof json === "object" &&
  json !== null &&
  !Array.isArray(json) &&
  "format" in json &&
  json.format === DESIGN_FORMAT;

/**
 * Reads a design from parsed JSON of any origin and age.
 * @returns the design in today's version, or up to 20 problems with their paths
 */
export const readDesign = (json: unknown): Result<Design> => readToday(isDesign(json) ? migrate(json) : json);
