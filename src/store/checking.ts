import type { Design } from "@/core/document/schema";
import type { Look } from "@/workers/checking";
import { NewestOnly } from "./newestOnly";

/** What is known of a design. */
export interface Checked extends Look {
  /** The design that the findings are of; null before the first are known. */
  design: Design | null;
  /** Why the rules could not look at the last design. */
  trouble: string | null;
}

/** What is known before the first look. */
export const NOTHING_SEEN: Look = { findings: [], budget: "", currents: "" };

/** The findings of the newest design only. */
export class Checking extends NewestOnly<Design, Look> {
  constructor(look: (design: Design) => Promise<Look>, tell: (checked: Checked) => void) {
    super(
      look,
      (design, known) => tell({ design, ...known, trouble: null }),
      (design, error) =>
        tell({ design, ...NOTHING_SEEN, trouble: error instanceof Error ? error.message : String(error) }),
    );
  }
}
